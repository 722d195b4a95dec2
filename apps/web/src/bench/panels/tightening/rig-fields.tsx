import Form from 'react-bootstrap/Form';
import type { Rig } from './use-rig.ts';

/** What is between the hand and the fastener: an extension, and the length of a wrench that is on no list. */
export function RigFields({ rig }: { readonly rig: Rig }): React.JSX.Element {
  return (
    <>
      <div className="d-flex gap-2 align-items-center mt-1">
        <Form.Label htmlFor="extension" className="m-0">
          Extension, mm
        </Form.Label>
        <Form.Control
          id="extension"
          inputMode="decimal"
          value={rig.typedExtension}
          style={{ width: 110 }}
          aria-describedby="extension-error"
          onChange={(e) => rig.setExtension(e.target.value)}
        />
      </div>
      {rig.given.extensionMm > 0 && rig.chosen?.wrench === undefined && (
        <div className="d-flex gap-2 align-items-center mt-1">
          <Form.Label htmlFor="lever" className="m-0">
            Wrench, hand to drive, mm
          </Form.Label>
          <Form.Control
            id="lever"
            inputMode="decimal"
            value={rig.typedLever}
            style={{ width: 110 }}
            aria-describedby="extension-error"
            onChange={(e) => rig.setLever(e.target.value)}
          />
        </div>
      )}
      <p id="extension-error" className="field-error m-0" role="alert">
        {rig.blocked ?? ''}
      </p>
    </>
  );
}
