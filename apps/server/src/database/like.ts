/** `%text%` for ILIKE, with what LIKE would read as a sign taken literally; anything but a text finds all. */
export function likeText(q: unknown): string {
  const text = typeof q === 'string' ? q.slice(0, 80).replaceAll('\u0000', '') : '';
  return `%${text.replace(/[\\%_]/g, '\\$&')}%`;
}
