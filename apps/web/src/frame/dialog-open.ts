/** Is a box over the page open? What acts by keys waits until it is closed. */
export const dialogOpen = (): boolean => document.querySelector('[aria-modal="true"]') !== null;
