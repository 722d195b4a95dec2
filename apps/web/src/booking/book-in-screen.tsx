import type { MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import Button from 'react-bootstrap/Button';
import { queries } from '../api/queries.ts';
import { LastRow } from './last-row.tsx';
import { OpenedBefore, WhyBack } from './opened-before.tsx';
import { DeliveryDateAsk } from './delivery-date-ask.tsx';
import { useBooking } from './use-booking.ts';
import { WhichOne } from './which-one.tsx';
import { ComplaintAndSheet, CustomerField, UnitField } from './who-and-what.tsx';

/** Books a unit in: customer and unit are found while typing; the sheet asks which one it is. */
export default function BookInScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const booking = useBooking();
  const { form, unit, opened, setOpened, failed } = booking;
  const sheetId = form.watch('sheet');
  const scope = form.watch('scope') || undefined;
  const sheet = useQuery(queries.sheet(sheetId));
  const atAnswer = failed?.field.startsWith('answers') ?? false;
  const atWhy = failed?.field === 'opened.why';
  return (
    <main className="page">
      <h1>Book in a unit</h1>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void booking.send();
        }}
        className="mt-1"
        noValidate
      >
        <div className="two">
          <UnitField booking={booking} />
          <CustomerField booking={booking} />
          <ComplaintAndSheet booking={booking} sheet={sheet.data} />
          <OpenedBefore sheet={sheet.data} unit={unit} opened={opened} change={setOpened} />
          <div className="d-flex flex-column gap-3">
            <WhyBack unit={unit} opened={opened} change={setOpened} error={atWhy ? failed?.words : undefined} />
            {sheet.data && (
              <WhichOne
                sheet={sheet.data}
                answers={booking.answers}
                errors={booking.answerErrors}
                answer={booking.answer}
              />
            )}
            {atAnswer && (
              <Button variant="line" onClick={() => void booking.send(true)}>
                Leave it open: the bench asks again
              </Button>
            )}
          </div>
          <DeliveryDateAsk
            key={`${sheetId} ${scope ?? ''}`}
            sheet={sheetId}
            scope={scope}
            take={(at) => form.setValue('deliveryDate', format(at, "yyyy-MM-dd'T'HH:mm"))}
          />
          <LastRow booking={booking} currency={me.workshop.currency} />
        </div>
        {failed && !atWhy && !atAnswer && (
          <p className="field-error mt-3" role="alert">
            {failed.words}
          </p>
        )}
        <div className="bookin-go">
          <Button type="submit" variant="go" disabled={form.formState.isSubmitting}>
            Book in <kbd>Enter</kbd>
          </Button>
        </div>
      </form>
    </main>
  );
}
