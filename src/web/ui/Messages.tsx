/** The messages themselves; fetched after what stands around them. */
import { useEffect } from "react";
import { Toaster, type ToasterProps, useSonner } from "sonner";

export interface MessagesProps extends Pick<ToasterProps, "position" | "offset" | "mobileOffset"> {
  /** Told whether one stands. */
  onShown?: (shown: boolean) => void;
}

export default function Messages({ onShown, ...where }: MessagesProps) {
  const shown = useSonner().toasts.length > 0;
  useEffect(() => onShown?.(shown), [onShown, shown]);
  return <Toaster gap={0} toastOptions={{ className: "told", unstyled: true }} {...where} />;
}
