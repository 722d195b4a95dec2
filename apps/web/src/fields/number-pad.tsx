import { useState } from 'react';
import Button from 'react-bootstrap/Button';

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '−', '0', '.'] as const;
const KEPT = 'jubb-number-pad';

/** Is the pad wanted on this device, and how to turn it. */
export function usePad(): readonly [boolean, () => void] {
  const [open, setOpen] = useState(() => localStorage.getItem(KEPT) === 'open');
  return [
    open,
    () => {
      localStorage.setItem(KEPT, open ? 'shut' : 'open');
      setOpen(!open);
    },
  ];
}

/** Large keys for a figure that is typed with gloves on. */
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
  return (
    <div className="padkeys" role="group" aria-label={`Figures for ${label}`}>
      {KEYS.map((k) => (
        <Button key={k} variant="line" onClick={() => set(pressed(value, k))}>
          {k}
        </Button>
      ))}
      <Button variant="line" className="wide" onClick={() => set(value.slice(0, -1))}>
        Rub out
      </Button>
    </div>
  );
}

/** The text after one key: one point at most, and a sign only in front. */
export function pressed(text: string, key: string): string {
  if (key === '−') return text.startsWith('-') ? text.slice(1) : `-${text}`;
  if (key === '.' && text.includes('.')) return text;
  return text + key;
}
