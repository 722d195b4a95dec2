import { useEffect, useRef } from 'react';

const KEYS: readonly (readonly [string, string])[] = [
  ['Enter', 'complete what the wide button says'],
  ['space', 'take the reading, pull'],
  ['h', 'park or hold: what does it wait for'],
  ['s', 'a surprise: not as the sheet says'],
  ['n', 'a note, or a timer'],
  ['m', 'a mark, an aid or a lead of your own'],
  ['c', 'a picture from the camera'],
  ['e', 'the job ends otherwise than repaired'],
  ['↑ ↓', 'move along the ladder'],
  ['+ −', 'count'],
  ['u', 'take back the last entry'],
  ['w', 'show or fold the working'],
  ['1 – 9', 'the choice of that number'],
  ['Page Down', 'what a foot pedal sends: the wide button'],
  ['v', 'the bench speaks, or is silent'],
  ['b', 'book in a unit (on the Floor)'],
  ['r', 'the Reckoner'],
  ['t', 'the night bench, or the day’s'],
  ['/', 'find anything'],
  ['?', 'these keys'],
];

/** Every key in one place; Escape closes it. */
export function KeysDialog({ open, close }: { readonly open: boolean; readonly close: () => void }): React.JSX.Element {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (open) dialog.current?.showModal();
    else dialog.current?.close();
  }, [open]);
  return (
    <dialog ref={dialog} className="keys" aria-label="Keys" onClose={close}>
      <h2>Keys</h2>
      <dl>
        {KEYS.map(([key, does]) => (
          <div key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet">A pedal may send any of these keys; one that sends Page Down works every panel.</p>
      <button type="button" className="btn-line" onClick={close}>
        Close
      </button>
    </dialog>
  );
}
