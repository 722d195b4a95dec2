import type { LiveInstrument } from '../use-instrument.ts';

/** What is said of an instrument that shows nothing here. */
const ASLEEP = { port: 'not connected', keyboard: 'types into the field', typed: 'type what it shows' } as const;

/** The strip along the foot: the instrument at hand and what it shows. */
export function Foot({
  instrument,
  children,
}: {
  readonly instrument: LiveInstrument | undefined;
  readonly children?: React.ReactNode;
}): React.JSX.Element {
  if (!instrument)
    return (
      <footer className="foot">
        <span className="quiet">No instrument for this move. Type what you read.</span>
      </footer>
    );
  const { view, value } = instrument;
  const decimals = Math.max(0, Math.ceil(-Math.log10(view.resolution)));
  return (
    <footer className="foot">
      <svg width="14" height="14" aria-hidden="true">
        <rect width="14" height="14" fill={value === undefined ? 'var(--oxide)' : 'var(--brassfill)'} />
      </svg>
      {view.name} <span className="v">{value === undefined ? '–' : value.toFixed(decimals)}</span> {view.unit}
      <span className="quiet">
        {value === undefined
          ? ASLEEP[view.readBy]
          : `± ${view.uncertainty?.value ?? '?'} ${view.uncertainty?.unit ?? ''}${view.simulated ? ', simulated' : ''}`}
      </span>
      <span className="gap" />
      {children}
    </footer>
  );
}
