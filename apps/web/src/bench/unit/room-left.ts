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

/**
 * The height that the panel of a move leaves free, px, in steps of ten: as the panel changes, and as the window does.
 * It does not depend on whether the drawing that fills it is shown.
 * @param within anything in the column of the move
 * @param wanted false where nothing would be drawn there: then nothing is measured, and it is 0
 */
export function useRoomLeft(within: RefObject<Element | null>, wanted: boolean): number {
  const [room, setRoom] = useState(0);
  useLayoutEffect(() => {
    const column = wanted ? within.current?.closest('.mid') : undefined;
    if (!column) return undefined;
    const look = (): void => setRoom(Math.max(0, Math.floor(freeIn(column) / 10) * 10));
    look();
    const sizes = new ResizeObserver(look);
    sizes.observe(column);
    const words = new MutationObserver(look);
    words.observe(column, { childList: true, subtree: true, characterData: true });
    return () => {
      sizes.disconnect();
      words.disconnect();
    };
  }, [within, wanted]);
  return wanted ? room : 0;
}
