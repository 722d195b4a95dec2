import { newId } from '../../api/ids.ts';
import type { CommandAnswer } from '@jubb/contract';
import { nextMove } from '@jubb/core/bench';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { sendForm } from '../../api/client.ts';
import { outbox } from '../../outbox/use-outbox.ts';
import type { Bench } from '../use-bench.ts';
import { smaller } from './smaller.ts';

/** A picture from the camera or a file: made small here, kept by the server with the job, at this step. */
export function PhotoForm({ bench, close }: { readonly bench: Bench; readonly close: () => void }): React.JSX.Element {
  const { register, handleSubmit, watch, setError, formState } = useForm<{ caption: string; files: FileList | null }>({
    defaultValues: { caption: '', files: null },
  });
  const file = watch('files')?.[0];
  const failed = formState.errors.root?.message;
  const busy = formState.isSubmitting;
  const [id] = useState(() => newId());
  const send = handleSubmit(async ({ caption }) => {
    if (!file) return;
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
      setError('root', {
        message: `${e instanceof Error ? e.message : 'It could not be sent'}. The picture is still here: send it again.`,
      });
    }
  });
  return (
    <form noValidate onSubmit={(e) => void send(e)}>
      <Form.Label htmlFor="photo-file">Picture, from the camera or a file</Form.Label>
      <Form.Control id="photo-file" type="file" accept="image/*" capture="environment" {...register('files')} />
      <Form.Label htmlFor="photo-caption">What it shows</Form.Label>
      <Form.Control id="photo-caption" maxLength={200} {...register('caption')} />
      {failed && (
        <p className="field-error" role="alert">
          {failed}
        </p>
      )}
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" variant="ink" disabled={!file || busy}>
          {busy ? 'Sending …' : 'Keep it'}
        </Button>
        <Button variant="line" onClick={close}>
          Close
        </Button>
      </div>
    </form>
  );
}
