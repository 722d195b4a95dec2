import type { DrawerView } from '@jubb/contract';
import Button from 'react-bootstrap/Button';
import type { PartsActions } from './use-parts.ts';

/** Shims by size and count, drawn as thick as they are to each other, and the small things that are always wanted. */
export function DrawerList({
  drawer,
  actions,
}: {
  readonly drawer: DrawerView;
  readonly actions: PartsActions;
}): React.JSX.Element {
  const names = [...new Set(drawer.shims.map((s) => s.drawer))];
  const thickest = Math.max(...drawer.shims.map((s) => s.mm), 0.01);
  return (
    <div className="drawers">
      <section>
        <h2>Small parts</h2>
        {drawer.stock.map((s) => (
          <div key={s.number} className="row1 stock">
            <span>
              <b>{s.title}</b>
              <small className="d-block">
                {s.number} · {s.bin}
              </small>
            </span>
            <span className="d-flex gap-2 align-items-center">
              <Button
                variant="line"
                aria-label={`One less of ${s.title}`}
                disabled={s.count === 0}
                onClick={() => void actions.setStock(s.number, { title: s.title, bin: s.bin, count: s.count - 1 })}
              >
                −
              </Button>
              <b className="count">{s.count}</b>
              <Button
                variant="line"
                aria-label={`One more of ${s.title}`}
                onClick={() => void actions.setStock(s.number, { title: s.title, bin: s.bin, count: s.count + 1 })}
              >
                +
              </Button>
            </span>
          </div>
        ))}
        {drawer.stock.length === 0 && <p>No small parts are kept.</p>}
      </section>
      {names.map((name) => (
        <section key={name}>
          <h2>{name.replaceAll('-', ' ').replace(/^./, (c) => c.toUpperCase())}</h2>
          {drawer.shims
            .filter((s) => s.drawer === name)
            .map((s) => (
              <div key={s.mm} className="shim">
                <b>{s.mm.toFixed(2)} mm</b>
                <svg viewBox="0 0 100 14" preserveAspectRatio="none" aria-hidden="true">
                  <rect
                    y="1"
                    height="12"
                    width={(100 * s.mm) / thickest}
                    fill={s.count === 0 ? 'var(--line2)' : 'var(--ink)'}
                  />
                </svg>
                <span>{s.count === 0 ? 'none' : `${s.count} pieces`}</span>
              </div>
            ))}
        </section>
      ))}
    </div>
  );
}
