/** A colour of the tokens, as the page has it: charts take colours as values. */
export const colour = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--color-${name}`).trim();
