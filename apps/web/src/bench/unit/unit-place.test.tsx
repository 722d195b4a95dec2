/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { Op, OpKind } from '@jubb/core/sheet';
import { type At, benchOf, firstOf, shipped } from '../rehearsed.fixtures.ts';
import { ColumnPlace } from './column-place.tsx';
import { DirectionsView } from './directions-view.tsx';
import { drawnFor, shownOf } from './drawn-for.ts';
import { MovePlace } from './move-place.tsx';
import { useUnitView } from './use-unit-view.tsx';

const hub = shipped('hub-dolly');
const hubAt = (kind: OpKind): At => firstOf(hub, kind);

/** Where the panel ends and what is in it, px: nothing here has a size of its own. */
let panel = { height: 500, taken: 300 };
const seen: (() => void)[] = [];
class Watch {
  constructor(look: () => void) {
    seen.push(look);
  }
  observe(): void {}
  disconnect(): void {}
}
beforeEach(() => {
  panel = { height: 500, taken: 300 };
  seen.length = 0;
  Object.assign(globalThis, {
    matchMedia: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
    ResizeObserver: Watch,
    MutationObserver: Watch,
  });
  jest.spyOn(Element.prototype, 'clientHeight', 'get').mockImplementation(function (this: Element) {
    return this.classList.contains('op') ? panel.height : 0;
  });
  jest.spyOn(Element.prototype, 'getBoundingClientRect').mockImplementation(function (this: Element) {
    const height = this.classList.contains('place') ? Number.parseFloat((this as HTMLElement).style.height) : 0;
    return new DOMRect(
      0,
      this.id === 'below' ? panel.taken : 0,
      630,
      this.classList.contains('taken') ? panel.taken : height,
    );
  });
});
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});
Object.assign(globalThis, {
  DOMRect: class {
    readonly bottom: number;
    constructor(
      readonly x: number,
      readonly y: number,
      readonly width: number,
      readonly height: number,
    ) {
      this.top = y;
      this.bottom = y + height;
    }
    readonly top: number;
    readonly left = 0;
  },
});

function Move({ at }: { readonly at: At }): React.JSX.Element {
  const { button, figure, anchor } = useUnitView(benchOf(at).bench, at.op);
  return (
    <div className="mid">
      <div ref={anchor}>{button}</div>
      {figure}
      <div className="op">
        <div className="taken" />
      </div>
    </div>
  );
}
const place = (): HTMLElement | null => document.querySelector('.unitview.place');

describe('the unit under a panel that draws by itself', () => {
  test('is as high as the panel leaves room, with what is at hand in it and nothing to press', () => {
    render(<Move at={hubAt('measure')} />);
    expect(place()?.style.height).toBe('190px');
    expect(place()?.querySelector('.part.hand')?.getAttribute('data-part')).toBe('spindle');
    expect(place()?.querySelector('[role=button]')).toBeNull();
  });

  test('follows the panel as that grows, and is gone where nothing is left', () => {
    render(<Move at={hubAt('measure')} />);
    panel = { height: 500, taken: 400 };
    act(() => seen.forEach((look) => look()));
    // 500 less 400 and a gap, and the drawing that is there already gives its own room back.
    expect(place()?.style.height).toBe('200px');
    panel = { height: 300, taken: 470 };
    act(() => seen.forEach((look) => look()));
    expect(place()?.style.height).toBeUndefined();
    expect(screen.getByRole('button', { name: 'Draw the unit x' })).toBeTruthy();
  });

  test('x draws it whole instead, and folds it back into its place', () => {
    render(<Move at={hubAt('measure')} />);
    const x = (): void => act(() => void fireEvent.keyDown(window, { key: 'x' }));
    x();
    expect(place()).toBeNull();
    expect(document.querySelector('.unitview')).not.toBeNull();
    x();
    x();
    expect(place()).not.toBeNull();
  });

  test('is not there a second time where the panel shows the place itself: one fastener, or a setting', () => {
    const nut = hubAt('tighten');
    expect(hub.joints[(nut.op as Extract<Op, { kind: 'tighten' }>).joint]!.count).toBe(1);
    render(<Move at={nut} />);
    expect(place()).toBeNull();
    cleanup();
    render(<Move at={hubAt('set')} />);
    expect(place()).toBeNull();
  });
});

describe('the place of a move at the foot of a column', () => {
  const Column = ({ at }: { readonly at: At }): React.JSX.Element => (
    <div className="mid">
      <div className="op">
        <ColumnPlace bench={benchOf(at).bench} op={at.op} width={262} />
      </div>
    </div>
  );
  // Its own foot is the one box here that has a place.
  const put = (): void => document.querySelector('.op > div')!.setAttribute('id', 'below');
  const again = (): void => act(() => seen.forEach((look) => look()));
  const drawn = (): string | null | undefined =>
    document.querySelector('.moveplace .unitdrawing')?.getAttribute('viewBox');

  test('is as high as there is room below what the column says, and lights the pack', () => {
    render(<Column at={hubAt('set')} />);
    put();
    panel = { height: 500, taken: 380 };
    again();
    expect(drawn()).toMatch(/ 262 \d+(\.\d+)?$/);
    expect(document.querySelector('.part.hand')?.getAttribute('data-part')).toBe('shim-pack');
  });

  test('is not there where the panel would have to scroll for it', () => {
    render(<Column at={hubAt('set')} />);
    put();
    for (const taken of [411, 480, 520]) {
      panel = { height: 500, taken };
      again();
      expect(drawn()).toBeUndefined();
    }
    panel = { height: 500, taken: 400 };
    again();
    expect(drawn()).toBeDefined();
  });
});

describe('the place of a move in its panel', () => {
  test('a nut is lit where it is on the unit, and it alone is named', () => {
    const at = hubAt('tighten');
    const { bench } = benchOf(at);
    render(<MovePlace bench={bench} op={at.op} width={300} height={230} />);
    expect(document.querySelector('.part.hand')?.getAttribute('data-part')).toBe('nut');
    expect([...document.querySelectorAll('.name text')].map((t) => t.textContent)).toEqual(['Castellated nut']);
  });

  test('what is on no drawing shows what else there is', () => {
    const at = hubAt('tighten');
    const caution = hub.steps.flatMap((s) => s.ops).find((o) => o.kind === 'caution')!;
    render(<MovePlace bench={benchOf(at).bench} op={caution} width={300} height={230} otherwise={<p>a circle</p>} />);
    expect(document.body.textContent).toBe('a circle');
  });

  test('what is felt or heard of the whole unit is drawn as it stands, nothing at hand', () => {
    const at = hubAt('off');
    const { bench } = benchOf(at);
    const felt: Op = { ...at.op, kind: 'look', look: 'no part of it' } as Op;
    const shown = shownOf(bench, felt)!;
    const drawing = drawnFor(bench, shown, { view: 'section', width: 630, height: 260 });
    expect(drawing.parts.length).toBeGreaterThan(5);
    expect(drawing.parts.filter((p) => p.look === 'hand')).toEqual([]);
  });
});

describe('directions of a measure', () => {
  const three = [0, 60, 120].map((degrees) => ({ where: `${degrees}°`, degrees }));
  test('the next one is lit, over the others, and said', () => {
    render(<DirectionsView directions={three} next="60°" />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
      'Seen from its end, to measure at 0°, 60°, 120°; next at 60°',
    );
    const groups = [...document.querySelectorAll('svg g')];
    expect(groups.at(-1)!.getAttribute('transform')).toContain('rotate(60 ');
    expect(groups.map((g) => g.classList.contains('next'))).toEqual([false, false, true]);
  });
  test('none is lit when all are read', () => {
    render(<DirectionsView directions={three} next={undefined} />);
    expect(document.querySelector('.next')).toBeNull();
  });
});
