import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { GLYPHS, GlyphSign } from '../drawing/glyph-sign.tsx';
import { Dialog } from './dialog.tsx';
import { charactersAct, KEY_TABLE, keyName, setCharactersAct, type KeyPlace } from './key-table.ts';

const PLACES: readonly (readonly [KeyPlace, string])[] = [
  ['everywhere', 'Everywhere'],
  ['bench', 'At the bench'],
  ['floor', 'On the Floor'],
  ['plan', 'On the Plan'],
];

/** Every key in one place, out of the table that they act by; Escape closes it. */
export function KeysDialog({ close }: { readonly close: () => void }): React.JSX.Element {
  const [act, setAct] = useState(charactersAct);
  return (
    <Dialog name="keys" label="Keys" width={920} close={close}>
      <h2>Keys</h2>
      <Form.Check
        type="switch"
        id="single-keys"
        label="Single letters act. Off: only Enter, space, Escape, the arrows and a pedal do"
        checked={act}
        onChange={(e) => {
          setCharactersAct(e.target.checked);
          setAct(e.target.checked);
        }}
      />
      <div className="keycols">
        {PLACES.map(([place, title]) => (
          <section key={place}>
            <h3>{title}</h3>
            <dl>
              {Object.entries(KEY_TABLE)
                .filter(([, k]) => k.at === place)
                .map(([name, { key, does }]) => (
                  <div key={name}>
                    <dt>
                      <kbd>{keyName(key)}</kbd>
                    </dt>
                    <dd>{does}</dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
      </div>
      <h3>Signs on the ladder</h3>
      <ul className="signs">
        {GLYPHS.map(([glyph, says]) => (
          <li key={glyph}>
            <svg width="26" height="22" aria-hidden="true">
              <GlyphSign glyph={glyph} x={13} y={11} />
            </svg>
            {says}
          </li>
        ))}
      </ul>
      <p className="quiet">A pedal may send any of these keys; one that sends Page Down works every panel.</p>
      <Button variant="line" onClick={close}>
        Close
      </Button>
    </Dialog>
  );
}
