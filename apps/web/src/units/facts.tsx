import { UnitFactsDto, type UnitView } from '@jubb/contract';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { useWrite } from '../api/use-write.ts';
import { Field } from '../fields/form-field.tsx';
import { Wrong } from '../fields/wrong.tsx';

/** What the unit is called and where it works, put right. */
export function Facts({
  unit: { id, serial, model, worksAt },
  done,
}: {
  readonly unit: UnitView;
  readonly done: () => void;
}): React.JSX.Element {
  const { register, handleSubmit, formState } = useForm<InstanceType<typeof UnitFactsDto>>({
    resolver: classValidatorResolver(UnitFactsDto),
    defaultValues: { serial, model, worksAt },
  });
  const { written, wrong, busy } = useWrite(
    (facts: InstanceType<typeof UnitFactsDto>) => api<UnitView>(`units/${id}`, facts, 'PUT'),
    { stale: [['unit'], ['floor'], ['job'], ['customers']] },
  );
  const { errors } = formState;
  const save = handleSubmit(async (facts) => {
    if (await written(facts)) done();
  });
  return (
    <form className="unitfacts" noValidate aria-label="Put right" onSubmit={(e) => void save(e)}>
      <Field label="Serial number" input={register('serial')} wrong={errors.serial?.message} />
      <Field label="Model" input={register('model')} wrong={errors.model?.message} />
      <Field label="Works at: which machine, where" input={register('worksAt')} wrong={errors.worksAt?.message} />
      <Button type="submit" variant="ink" disabled={busy}>
        Keep
      </Button>
      <Wrong says={wrong} />
      <small className="wide">Records that are written keep what it was called.</small>
    </form>
  );
}
