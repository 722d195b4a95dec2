/** A number as people type it, with a comma or a point; NaN where nothing was typed, or no number. */
export const typedNumber = (text: string): number =>
  text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.'));
