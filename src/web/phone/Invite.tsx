/** An invitation: a link and a picture to photograph; the code behind the "#" never reaches a server's log. */
import { renderSVG } from "uqr";
import type { InvitationView } from "../../api/phoneViews";
import { moment } from "../format";
import { Sheet } from "../ui/Sheet";

export default function Invite({
  name,
  invitation,
  onClose,
}: {
  name: string;
  invitation: InvitationView;
  onClose: () => void;
}) {
  const link = `${location.origin}/p/join#code=${invitation.code}`;
  const picture = `data:image/svg+xml;utf8,${encodeURIComponent(renderSVG(link, { border: 2 }))}`;
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Invitation for ${name}`}
      note={`It lets one phone in, once, until ${moment(invitation.until)}. It is shown this once.`}
    >
      <img src={picture} alt="QR code of the link" className="mx-auto my-2 w-56 bg-sheet" />
      <p className="text-label font-semibold text-ink2">Link</p>
      <p className="mb-2 break-all select-all">{link}</p>
      <p className="text-label font-semibold text-ink2">Or the code alone, typed in under {location.origin}/p/</p>
      <p className="num mb-3 text-title font-semibold select-all">{invitation.code}</p>
      {location.protocol === "http:" && (
        <p className="mb-3 border-l-[3px] border-iron bg-iron-l px-2 py-1 text-label">
          This address is not encrypted: another phone reaches it only where the server listens beyond this machine,
          with TLS. docs/phone.md says how.
        </p>
      )}
      <button type="button" className="btn btn-pri" onClick={onClose}>
        Done
      </button>
    </Sheet>
  );
}
