import type { MeView, WeekView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { Wrong } from '../fields/wrong.tsx';
import { useWrite } from '../api/use-write.ts';
import { sayIn } from './say.ts';
import { spansOf, spansWords } from './spans.ts';
import './plan.scss';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** When the workshop works and with what: hours of the week, days off, what was agreed beside them, how many there are of each tool. */
export default function HoursScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const week = useQuery(queries.week());
  if (!week.data) return <main className="empty">{week.isError ? week.error.message : 'Looking at the hours …'}</main>;
  return (
    <main className="page hourspage">
      <div className="d-flex justify-content-between align-items-end">
        <div>
          <h1>Hours, days off and tools</h1>
          <p className="quiet m-0">
            The week is planned within these. {me.person.role === 'owner' ? '' : 'The owner sets them.'}
          </p>
        </div>
        <Link to="/plan" className="btn-line">
          The week
        </Link>
      </div>
      <div className="hourscols">
        <ShopHours
          key={JSON.stringify([week.data.hours, week.data.tools])}
          view={week.data}
          owner={me.person.role === 'owner'}
        />
        <div>
          <DaysOff view={week.data} owner={me.person.role === 'owner'} />
          <Extra view={week.data} may={me.person.role !== 'parts'} />
        </div>
      </div>
    </main>
  );
}

/** Gives something to the server and asks for the week anew. */
function useGive(): readonly [wrong: string | undefined, give: (work: () => Promise<unknown>) => Promise<boolean>] {
  const { wrong, written } = useWrite((work: () => Promise<unknown>) => work(), {
    stale: [['week']],
    noLine: 'No line to the server; nothing was changed.',
  });
  return [wrong, written];
}
function ShopHours({ view, owner }: { readonly view: WeekView; readonly owner: boolean }): React.JSX.Element {
  // As objects: a list of plain words is none that a form of fields knows.
  const { register, handleSubmit, watch } = useForm({
    defaultValues: {
      days: view.hours.map((day) => ({ spans: spansWords(day) })),
      tools: view.tools.map((t) => ({ capacity: String(t.capacity) })),
    },
  });
  const [wrong, give] = useGive();
  const read = watch('days').map((d) => spansOf(d.spans));
  const bad = read.findIndex((d) => d === undefined);
  const keep = handleSubmit(async ({ days, tools }) => {
    if (bad >= 0) return;
    await give(() =>
      api('plan/shop', {
        hours: days.map((d) => spansOf(d.spans)),
        tools: view.tools.map((t, i) => ({ id: t.id, capacity: Number(tools[i]!.capacity) })),
      }),
    );
  });
  return (
    <form noValidate onSubmit={(e) => void keep(e)}>
      <h2>Hours of a week</h2>
      {DAYS.map((day, i) => (
        <div key={day} className="hoursrow">
          <Form.Label htmlFor={`day-${i}`}>{day}</Form.Label>
          <Form.Control
            id={`day-${i}`}
            readOnly={!owner}
            placeholder="closed"
            isInvalid={read[i] === undefined}
            {...register(`days.${i}.spans`)}
          />
        </div>
      ))}
      <h2>Tools</h2>
      {view.tools.map((t, i) => (
        <div key={t.id} className="hoursrow">
          <Form.Label htmlFor={`tool-${t.id}`}>{t.title}, how many</Form.Label>
          <Form.Control
            id={`tool-${t.id}`}
            type="number"
            min={0}
            max={20}
            readOnly={!owner}
            {...register(`tools.${i}.capacity`)}
          />
        </div>
      ))}
      <Wrong
        says={
          bad >= 0 ? `${DAYS[bad]}: hours such as 08:00 to 12:00, 12:30 to 17:00; nothing when it is closed` : wrong
        }
      />
      {owner && (
        <Button type="submit" variant="go" className="mt-2" disabled={bad >= 0}>
          Keep these hours <kbd>Enter</kbd>
        </Button>
      )}
    </form>
  );
}

function DaysOff({ view, owner }: { readonly view: WeekView; readonly owner: boolean }): React.JSX.Element {
  const { register, handleSubmit, watch, resetField } = useForm({ defaultValues: { day: '', person: '' } });
  const [wrong, give] = useGive();
  const add = handleSubmit(async ({ day, person }) => {
    if (await give(() => api('plan/days-off', { day, ...(person ? { person } : {}) }))) resetField('day');
  });
  const hands = view.people;
  const name = (id: string | null): string => hands.find((h) => h.id === id)?.name ?? 'Nobody works';
  return (
    <section aria-label="Days off">
      <h2>Days off</h2>
      {view.daysOff.length === 0 && <p className="quiet">None.</p>}
      {view.daysOff.map((d) => (
        <div key={`${d.day}/${d.person}`} className="hoursrow">
          <span>
            <b>{d.day}</b> {name(d.person)}
          </span>
          {owner && (
            <Button
              variant="line"
              onClick={() =>
                void give(() =>
                  api(`plan/days-off/${d.day}${d.person ? `?person=${d.person}` : ''}`, undefined, 'DELETE'),
                )
              }
            >
              Take back
            </Button>
          )}
        </div>
      ))}
      {owner && (
        <form className="hoursrow" noValidate onSubmit={(e) => void add(e)}>
          <Form.Control type="date" aria-label="Day off" {...register('day')} />
          <Form.Select aria-label="Whose" {...register('person')}>
            <option value="">Nobody works</option>
            {hands.map((h) => (
              <option key={h.id} value={h.id}>
                {h.name}
              </option>
            ))}
          </Form.Select>
          <Button type="submit" variant="line" disabled={watch('day') === ''}>
            Add
          </Button>
        </form>
      )}
      <Wrong says={wrong} />
    </section>
  );
}

function Extra({ view, may }: { readonly view: WeekView; readonly may: boolean }): React.JSX.Element {
  const [wrong, give] = useGive();
  const say = sayIn(view.zone);
  return (
    <section aria-label="Agreed beside these">
      <h2>Agreed beside these</h2>
      {view.extraHours.length === 0 && (
        <p className="quiet">Nothing. Where an hour longer or a helper saves a promise, the week offers it.</p>
      )}
      {view.extraHours.map((x) => (
        <div key={x.id} className="hoursrow">
          <span>
            <b>
              {say(x.from)} to {say(x.to)}
            </b>{' '}
            {x.helper ? 'a helper' : (view.people.find((p) => p.id === x.person)?.name ?? 'everybody')}, agreed by{' '}
            {x.by}
          </span>
          {may && (
            <Button
              variant="line"
              onClick={() => void give(() => api(`plan/extra-hours/${x.id}`, undefined, 'DELETE'))}
            >
              Take back
            </Button>
          )}
        </div>
      ))}
      <Wrong says={wrong} />
    </section>
  );
}
