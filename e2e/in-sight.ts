import type { Page } from 'puppeteer-core';

export const WIDTHS = [
  { name: '1280x800', width: 1280, height: 800 },
  { name: '800x1280', width: 800, height: 1280 },
  { name: '390x844', width: 390, height: 844 },
] as const;

/**
 * What of a page as it stands lies out of sight: the page or a box of it that scrolls sideways, text over text, a main button
 * that is not in view, and whatever can be pressed or filled in and cannot be brought into view or is covered there.
 * @returns a line a fault, with the element it is at; empty when all is in sight
 */
export function outOfSight(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const faults: string[] = [];
    const name = (e: Element): string => {
      const words = (e.getAttribute('aria-label') ?? e.textContent ?? '').trim().replace(/\s+/g, ' ').slice(0, 40);
      const kind = e.getAttribute('class')?.split(' ').join('.') ?? '';
      return `${e.tagName.toLowerCase()}${e.id ? `#${e.id}` : ''}${kind && `.${kind}`} "${words}"`;
    };
    const shown = (e: Element): boolean =>
      e.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && !e.closest('.visually-hidden');
    interface Box {
      readonly left: number;
      readonly right: number;
      readonly top: number;
      readonly bottom: number;
    }
    /** What is left of a box within everything about it that cuts off. */
    const withinAncestors = (box: Box, of: Element): Box => {
      let { left, right, top, bottom } = box;
      for (let e: Element | null = of; e && e !== document.body; e = e.parentElement) {
        const style = getComputedStyle(e);
        if (style.position === 'fixed') break;
        const r = e.getBoundingClientRect();
        if (style.overflowX !== 'visible') [left, right] = [Math.max(left, r.left), Math.min(right, r.right)];
        if (style.overflowY !== 'visible') [top, bottom] = [Math.max(top, r.top), Math.min(bottom, r.bottom)];
      }
      return { left, right, top, bottom };
    };
    const dialog = [...document.querySelectorAll('.modal-content')].at(-1);
    const root: Element = dialog ?? document.body;

    // A box that opens over the page is in sight as a whole, from side to side: nothing scrolls there.
    const box = dialog?.getBoundingClientRect();
    if (box && (box.left < -1 || box.right > innerWidth + 1))
      faults.push(`is cut off: ${name(dialog!)}, ${Math.round(box.left)} to ${Math.round(box.right)} px`);

    // Sideways.
    if (document.documentElement.scrollWidth > innerWidth + 1)
      faults.push(`the page is ${document.documentElement.scrollWidth} px wide`);
    for (const e of root.querySelectorAll('*')) {
      if (e instanceof SVGElement || !shown(e) || e.closest('[data-sideways]')) continue;
      const { overflowX, textOverflow } = getComputedStyle(e);
      if (e.tagName === 'INPUT' || e.tagName === 'TEXTAREA' || e.tagName === 'SELECT') continue;
      if (e.scrollWidth <= e.clientWidth + 1 || e.clientWidth === 0) continue;
      if (overflowX === 'auto' || overflowX === 'scroll') faults.push(`scrolls sideways: ${name(e)}`);
      else if (overflowX !== 'visible' && textOverflow !== 'ellipsis') faults.push(`is cut off: ${name(e)}`);
    }

    // Text over text.
    interface Words extends Box {
      readonly of: Text;
    }
    const words: Words[] = [];
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const parent = node.parentElement;
      if (!parent || !node.textContent?.trim() || !shown(parent) || parent.closest('title, style, script, option'))
        continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const r of range.getClientRects()) {
        // Letters fill about the middle of their line.
        const inset = r.height * 0.22;
        const box = withinAncestors(
          { left: r.left + 1, right: r.right - 1, top: r.top + inset, bottom: r.bottom - inset },
          parent,
        );
        if (box.right - box.left > 2 && box.bottom - box.top > 2 && box.bottom > 0 && box.top < innerHeight)
          words.push({ ...box, of: node as Text });
      }
    }
    words.sort((a, b) => a.top - b.top);
    for (const [i, a] of words.entries())
      for (let j = i + 1; j < words.length && words[j]!.top < a.bottom; j += 1) {
        const b = words[j]!;
        const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left);
        const high = Math.min(a.bottom, b.bottom) - b.top;
        if (a.of === b.of || wide < 3 || high < 3) continue;
        // One lies above the other and hides it: a sticky foot over what scrolls below it is no fault.
        const [x, y] = [Math.max(a.left, b.left) + wide / 2, b.top + high / 2];
        const top = document.elementFromPoint(x, y);
        const [pa, pb] = [a.of.parentElement!, b.of.parentElement!];
        const layer = (e: Element): Element | null => e.closest('[data-over], .modal-content, .btn-go');
        if (layer(pa) !== layer(pb) && top && (layer(pa)?.contains(top) || layer(pb)?.contains(top))) continue;
        faults.push(`"${a.of.textContent?.trim().slice(0, 30)}" over "${b.of.textContent?.trim().slice(0, 30)}"`);
      }

    // The main button: as the page opens.
    for (const e of root.querySelectorAll('.btn-go')) {
      if (!shown(e)) continue;
      const r = withinAncestors(e.getBoundingClientRect(), e);
      const whole = e.getBoundingClientRect();
      if (r.bottom - r.top < whole.height - 2 || whole.top < 0 || whole.bottom > innerHeight + 1)
        faults.push(`main button out of view: ${name(e)}`);
    }

    // Whatever can be pressed or filled in comes into view and is what a press there meets.
    for (const e of root.querySelectorAll('button, a[href], input, select, textarea, [role=button], [role=radio]')) {
      if (!shown(e) || (e as HTMLButtonElement).disabled || e.closest('[inert]')) continue;
      const size = e.getBoundingClientRect();
      if (size.width < 2 || size.height < 2) continue;
      e.scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
      const r = e.getBoundingClientRect();
      const first = e.getClientRects()[0] ?? r;
      if (e instanceof SVGElement) {
        // A part of a drawing is pressed where it is drawn, not in the middle of a ring; a thin one is met in its pieces.
        const there = [e, ...e.querySelectorAll('*')].some((piece) => {
          const b = piece.getBoundingClientRect();
          return Array.from({ length: 21 * 21 }, (_, i) => [
            b.left + (b.width * ((i % 21) + 0.5)) / 21,
            b.top + (b.height * (Math.floor(i / 21) + 0.5)) / 21,
          ]).some(([px, py]) => e.contains(document.elementFromPoint(px!, py!)));
        });
        if (!there) faults.push(`cannot be reached: ${name(e)}`);
        continue;
      }
      const [x, y] = [first.left + first.width / 2, first.top + first.height / 2];
      const met = document.elementFromPoint(x, y);
      const label = (e as HTMLInputElement).labels?.[0];
      if (!met || !(e.contains(met) || met.contains(e) || label?.contains(met)))
        faults.push(`cannot be reached: ${name(e)}${met ? `, under ${name(met)}` : ''}`);
    }
    for (const e of [document.scrollingElement, ...root.querySelectorAll('*')])
      if (e && e.scrollTop > 0) e.scrollTop = 0;
    return [...new Set(faults)];
  });
}
