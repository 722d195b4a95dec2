import { UnitRunsDto, type UnitView } from '@jubb/contract';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';

/** How long the unit runs in a week: what is to be looked at again after hours gets a day in the calendar by it. */
export function Runs({ unit }: { readonly unit: UnitView }): React.JSX.Element {
  const client = useQueryClient();
  const { register, handleSubmit, formState } = useForm<InstanceType<typeof UnitRunsDto>>({
    resolver: classValidatorResolver(UnitRunsDto),
    defaultValues: { hoursPerWeek: unit.hoursPerWeek ?? undefined },
  });
  const keep = useMutation({
    mutationFn: (form: InstanceType<typeof UnitRunsDto>) => api<UnitView>(`units/${unit.id}/runs`, form),
    onSuccess: (view) => client.setQueryData(queries.unit(unit.id).queryKey, view),
  });
  const wrong = formState.errors.hoursPerWeek?.message ?? keep.error?.message;
  return (
    <form className="runs" noValidate onSubmit={(e) => void handleSubmit((form) => keep.mutate(form))(e)}>
      <Form.Label htmlFor="runs">Runs, hours a week</Form.Label>
      <div className="d-flex gap-2">
        <Form.Control
          id="runs"
          inputMode="decimal"
          placeholder="not known"
          isInvalid={wrong !== undefined}
          aria-describedby={wrong === undefined ? undefined : 'runs-wrong'}
          {...register('hoursPerWeek', { setValueAs: (v: string | number) => (v === '' ? undefined : Number(v)) })}
        />
        <Button type="submit" variant="line" disabled={!formState.isDirty || keep.isPending}>
          Keep
        </Button>
      </div>
      {wrong !== undefined && (
        <p id="runs-wrong" className="field-error" role="alert">
          {wrong}
        </p>
      )}
    </form>
  );
}
