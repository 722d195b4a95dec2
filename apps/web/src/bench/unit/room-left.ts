import { useLayoutEffect, useState, type RefObject } from 'react';

/** Gap between what stands in the column of the move, px. */
const GAP = 10;

/** What the panel of a move leaves free above its button, and what a drawing there takes already, px. */
function freeIn(column: Element): number {
  const panel = column.querySelector(':scope > .op');
  if (!panel) return 0;
  const top = panel.getBoundingClientRect().top - panel.scrollTop;
  const bottoms = [...panel.children].map((e) => e.getBoundingClientRect().bottom);
  const taken = bottoms.length === 0 ? 0 : Math.max(...bottoms) - top;
  const drawn = column.querySelector(':scope > .unitview.place');
  return panel.clientHeight - taken + (drawn ? drawn.getBoundingClientRect().height + GAP : 0) - GAP;
}

/** What is free in the panel of a move from the upper edge of something in it down, px. */
function freeFrom(column: Element, from: Element): number {
  const panel = column.querySelector(':scope > .op');
  if (!panel) return 0;
  const { top } = panel.getBoundingClientRect();
  return panel.clientHeight - (from.getBoundingClientRect().top - top + panel.scrollTop) - GAP;
}

/** Looks at the column of a move as it changes, and as the window does. */
function useLooked(
  within: RefObject<Element | null>,
  free: ((column: Element, at: Element) => number) | undefined,
): number {
  const [room, setRoom] = useState(0);
  useLayoutEffect(() => {
    const at = within.current;
    const column = at?.closest('.mid');
    if (!column || !at || !free) return undefined;
    const look = (): void => setRoom(Math.max(0, Math.floor(free(column, at) / 10) * 10));
    look();
    const sizes = new ResizeObserver(look);
    sizes.observe(column);
    const words = new MutationObserver(look);
    words.observe(column, { childList: true, subtree: true, characterData: true });
    return () => {
      sizes.disconnect();
      words.disconnect();
    };
  }, [within, free]);
  return free ? room : 0;
}

/**
 * The height that the panel of a move leaves free above its button, px, in steps of ten.
 * It does not depend on whether the drawing that fills it is shown.
 * @param within anything in the column of the move
 * @param wanted false where nothing would be drawn there: then nothing is measured, and it is 0
 */
export const useRoomLeft = (within: RefObject<Element | null>, wanted: boolean): number =>
  useLooked(within, wanted ? freeIn : undefined);

/**
 * The height that is free in the panel of a move from the upper edge of something in it down, px, in steps of ten: what
 * is drawn in it never makes the panel scroll.
 */
export const useRoomBelow = (from: RefObject<Element | null>): number => useLooked(from, freeFrom);
