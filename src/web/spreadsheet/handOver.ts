/** A file that was dropped elsewhere and turned out to be a spreadsheet of strength work: it goes on to the view that reads those. */
let waiting: File | null = null;

export const handOver = (file: File): void => {
  waiting = file;
};

/** The file that was handed over, once. */
export function takeOver(): File | null {
  const file = waiting;
  waiting = null;
  return file;
}
