/** A dialog that slides nowhere: title, body, actions. Focus is trapped and given back by Radix. */
import { Dialog } from "radix-ui";
import type { ReactNode } from "react";
import { ICON } from "./glyphs";

interface Props {
  open: boolean;
  onClose: () => void;
  title: string;
  note?: string;
  children: ReactNode;
  width?: number;
}

export function Sheet({ open, onClose, title, note, children, width = 460 }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fade fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          style={{ width: `min(${width}px, calc(100vw - 24px))` }}
          className="fade fixed top-1/2 left-1/2 z-50 max-h-[calc(100vh-32px)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-[3px] border border-edge bg-panel shadow-pop"
        >
          <div className="flex items-center justify-between border-b border-hair px-4 py-3">
            <Dialog.Title className="text-lead font-semibold">{title}</Dialog.Title>
            <Dialog.Close className="btn btn-sm btn-sq" aria-label="Close">
              {ICON.close}
            </Dialog.Close>
          </div>
          {note && <p className="border-b border-hair2 px-4 py-2 text-label leading-4 text-ink2">{note}</p>}
          <div className="p-4">{children}</div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
