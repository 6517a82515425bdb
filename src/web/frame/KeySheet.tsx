/** Every key that works here, on the sheet that "?" opens. */
import { keyName, useKeyList } from "../ui/keys";
import { Sheet } from "../ui/Sheet";

export default function KeySheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const keys = useKeyList();
  return (
    <Sheet open={open} onClose={onClose} title="Keys that work here" width={380}>
      <dl className="grid grid-cols-[80px_1fr] gap-y-1.5">
        {keys.map((k) => (
          <div key={`${k.key}${k.label}`} className="contents">
            <dt>
              <kbd className="key">{keyName(k.key)}</kbd>
            </dt>
            <dd>{k.label}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
