import { useState } from 'react';

const ROWS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '−', '0', '.'] as const;

/** Large keys for a figure that is typed with gloves on; folded away until they are wanted, and the device remembers. */
export function NumberPad({
  value,
  set,
  label,
}: {
  readonly value: string;
  readonly set: (text: string) => void;
  /** What the figure is, for who cannot see the field beside it. */
  readonly label: string;
}): React.JSX.Element {
  const [open, setOpen] = useState(() => localStorage.getItem(KEPT) === 'open');
  const turn = (): void => {
    localStorage.setItem(KEPT, open ? 'shut' : 'open');
    setOpen(!open);
  };
  return (
    <div className="pad">
      <button type="button" className="btn-line padturn" aria-expanded={open} onClick={turn}>
        {open ? 'Fold the pad' : 'Number pad'}
      </button>
      {open && (
        <div className="padkeys" role="group" aria-label={`Figures for ${label}`}>
          {ROWS.map((k) => (
            <button key={k} type="button" className="btn-line" onClick={() => set(pressed(value, k))}>
              {k}
            </button>
          ))}
          <button type="button" className="btn-line wide" onClick={() => set(value.slice(0, -1))}>
            Rub out
          </button>
        </div>
      )}
    </div>
  );
}
const KEPT = 'jubb-number-pad';

/** The text after one key: one point at most, and a sign only in front. */
export function pressed(text: string, key: string): string {
  if (key === '−') return text.startsWith('-') ? text.slice(1) : `-${text}`;
  if (key === '.' && text.includes('.')) return text;
  return text + key;
}
