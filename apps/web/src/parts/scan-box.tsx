import type { OrderLineView } from '@jubb/contract';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';

/** Takes in what has come: a scanned or typed number; a kit is opened first, and two lines of one number are chosen from. */
export function ScanBox({
  lines,
  arrive,
  open,
}: {
  readonly lines: readonly OrderLineView[];
  readonly arrive: (line: OrderLineView) => Promise<void>;
  readonly open: () => void;
}): React.JSX.Element {
  const { register, handleSubmit, reset } = useForm({ defaultValues: { code: '' } });
  const [says, setSays] = useState<string>();
  const submit = handleSubmit(({ code }) => {
    const wanted = code.trim().toLowerCase();
    if (wanted === '') return;
    const found = lines.filter((l) => l.number.toLowerCase() === wanted || l.line.toLowerCase() === wanted);
    const [only] = found;
    if (found.length === 1 && only && !only.kit) {
      setSays(undefined);
      reset();
      void arrive(only);
    } else if (found.length === 0) setSays(`Nothing with number ${code.trim()} is on its way.`);
    else {
      open();
      setSays(
        found.length === 1 ? 'A kit: check what is in it below.' : `${found.length} jobs wait for it: choose below.`,
      );
    }
  });
  return (
    <form noValidate onSubmit={(e) => void submit(e)} className="scan">
      <Form.Control
        id="scan"
        aria-label="Number of what has come, scanned or typed"
        placeholder="Scan or type what has come"
        autoComplete="off"
        {...register('code')}
      />
      <Button type="submit" variant="ink">
        It is here
      </Button>
      {says && (
        <p className="m-0" role="status">
          {says}
        </p>
      )}
    </form>
  );
}
