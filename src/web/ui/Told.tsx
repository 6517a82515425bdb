/** Where messages stand: in the foot of the frame, or under the head at the rack. */
import { Toaster, type ToasterProps } from "sonner";

export const Told = (where: Pick<ToasterProps, "position" | "offset" | "mobileOffset">) => (
  <Toaster gap={0} toastOptions={{ className: "told", unstyled: true }} {...where} />
);
