import { newId } from '../../api/ids.ts';
import type { CommandAnswer } from '@jubb/contract';
import { nextMove } from '@jubb/core/bench';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { sendForm } from '../../api/client.ts';
import { outbox } from '../../outbox/use-outbox.ts';
import type { Bench } from '../use-bench.ts';
import { smaller } from './smaller.ts';

/** A picture from the camera or a file: made small here, kept by the server with the job, at this step. */
export function PhotoForm({ bench, close }: { readonly bench: Bench; readonly close: () => void }): React.JSX.Element {
  const [caption, setCaption] = useState('');
  const [failed, setFailed] = useState<string>();
  const [file, setFile] = useState<File>();
  const [busy, setBusy] = useState(false);
  const [id] = useState(() => newId());
  const send = async (): Promise<void> => {
    if (!file) return;
    setBusy(true);
    setFailed(undefined);
    try {
      const move = nextMove(bench.sheet, bench.state);
      const form = new FormData();
      form.set('commandId', id);
      form.set('seen', String(outbox.seenOf(bench.job)));
      form.set('caption', caption);
      if (move.kind === 'op') form.set('step', move.step.id);
      form.set('photo', await smaller(file), 'photo.jpg');
      const answer = await sendForm<CommandAnswer>(`jobs/${bench.job}/photos`, form);
      outbox.onEvents(bench.job, answer.events);
      close();
    } catch (e) {
      setFailed(
        `${e instanceof Error ? e.message : 'It could not be sent'}. The picture is still here: send it again.`,
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <Form.Label htmlFor="photo-file">Picture, from the camera or a file</Form.Label>
      <Form.Control
        id="photo-file"
        type="file"
        accept="image/*"
        capture="environment"
        onChange={(e) => setFile((e.target as HTMLInputElement).files?.[0])}
      />
      <Form.Label htmlFor="photo-caption">What it shows</Form.Label>
      <Form.Control id="photo-caption" value={caption} maxLength={200} onChange={(e) => setCaption(e.target.value)} />
      {failed && (
        <p className="field-error" role="alert">
          {failed}
        </p>
      )}
      <div className="d-flex gap-2 mt-2">
        <button type="submit" className="btn-ink" disabled={!file || busy}>
          {busy ? 'Sending …' : 'Keep it'}
        </button>
        <button type="button" className="btn-line" onClick={close}>
          Close
        </button>
      </div>
    </form>
  );
}
