import { type DragEvent, useState } from "react";

/** Files dropped on an element: the pointer's twin of a button that chooses them. */
export function useDrop(take: (files: FileList) => void) {
  const [over, setOver] = useState(false);
  return {
    over,
    handlers: {
      onDragOver: (e: DragEvent) => {
        e.preventDefault();
        setOver(true);
      },
      onDragLeave: () => setOver(false),
      onDrop: (e: DragEvent) => {
        e.preventDefault();
        setOver(false);
        take(e.dataTransfer.files);
      },
    },
  };
}
