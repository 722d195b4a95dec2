import { NewPersonDto, PersonDto, type MeView, type Role, type ShopPersonView } from '@jubb/contract';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { Choice, Field } from '../fields/form-field.tsx';
import { Wrong } from '../fields/wrong.tsx';

const ROLES: readonly (readonly [Role, string])[] = [
  ['mechanic', 'Mechanic'],
  ['parts', 'Parts desk'],
  ['owner', 'Owner'],
];
const STALE = [['people'], ['shop'], ['week'], ['me']];

/** Who works here: added, put right, gone; and a new PIN for who forgot theirs. */
export function People({ me }: { readonly me: MeView }): React.JSX.Element {
  const people = useQuery(queries.shopPeople());
  const [open, setOpen] = useState<string>();
  if (!people.data) return <p className="empty">{people.isError ? people.error.message : 'Asking who works here …'}</p>;
  const here = people.data.filter((p) => p.left === null);
  const gone = people.data.filter((p) => p.left !== null);
  return (
    <>
      {open === 'new' ? (
        <PersonForm done={() => setOpen(undefined)} />
      ) : (
        <Button variant="line" className="mt-3" onClick={() => setOpen('new')}>
          Add somebody
        </Button>
      )}
      <ul className="shoplist" aria-label="Who works here">
        {here.map((p) => (
          <li key={p.id}>
            <Someone
              person={p}
              isMe={p.id === me.person.id}
              open={open === p.id}
              toggle={() => setOpen(open === p.id ? undefined : p.id)}
            />
          </li>
        ))}
      </ul>
      {gone.length > 0 && (
        <>
          <h2>Worked here before</h2>
          <ul className="shoplist" aria-label="Worked here before">
            {gone.map((p) => (
              <li key={p.id}>
                <Gone person={p} />
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

function Someone({
  person,
  isMe,
  open,
  toggle,
}: {
  readonly person: ShopPersonView;
  readonly isMe: boolean;
  readonly open: boolean;
  readonly toggle: () => void;
}): React.JSX.Element {
  const role = ROLES.find(([r]) => r === person.role)![1];
  return (
    <>
      <div className="shopline">
        <span className="initials" aria-hidden="true">
          {person.initials}
        </span>
        <span>
          <b>{person.name}</b>
          <small className="d-block">
            {role}
            {person.works && person.role === 'owner' && ', works at the bench'}
            {person.signedIn > 0 &&
              `; signed in on ${person.signedIn === 1 ? 'one device' : `${person.signedIn} devices`}`}
          </small>
        </span>
        <Button variant="line" className="ms-auto" aria-expanded={open} onClick={toggle}>
          {open ? 'Close' : 'Change'}
        </Button>
      </div>
      {open && (
        <div className="shopopen">
          <PersonForm person={person} done={toggle} />
          {isMe ? <small>Your own PIN: press your initials at the top.</small> : <NewPin person={person} />}
          <Leaving person={person} isMe={isMe} />
        </div>
      )}
    </>
  );
}

type Fields = InstanceType<typeof NewPersonDto>;

/** A new person, or one that is put right. */
function PersonForm({
  person,
  done,
}: {
  readonly person?: ShopPersonView;
  readonly done: () => void;
}): React.JSX.Element {
  const { register, handleSubmit, formState, watch } = useForm<Fields>({
    resolver: classValidatorResolver(person ? PersonDto : NewPersonDto) as never,
    defaultValues: person ?? { name: '', initials: '', role: 'mechanic', works: true, pin: '' },
  });
  const { written, wrong, busy } = useWrite(
    ({ name, initials, role, works, pin }: Fields) =>
      person
        ? api(`shop/people/${person.id}`, { name, initials, role, works }, 'PUT')
        : api('shop/people', { name, initials, role, works, pin }),
    { stale: STALE },
  );
  const { errors } = formState;
  const save = handleSubmit(async (fields) => {
    if (await written(fields)) done();
  });
  return (
    <form
      className="shopform"
      noValidate
      onSubmit={(e) => void save(e)}
      aria-label={person ? person.name : 'Somebody new'}
    >
      <Field label="Name" input={register('name')} wrong={errors.name?.message} />
      <Field label="Initials" input={register('initials')} wrong={errors.initials?.message} />
      <Choice label="Role" input={register('role')} options={ROLES} />
      {!person && (
        <Field label="PIN, to begin with" input={register('pin')} wrong={errors.pin?.message} inputMode="numeric" />
      )}
      {watch('role') !== 'parts' && (
        <Form.Check
          id="field-works"
          label="Works at the bench: the plan counts on their hands"
          {...register('works')}
        />
      )}
      <Button type="submit" variant="ink" disabled={busy}>
        {person ? 'Keep' : 'Add'}
      </Button>
      <Wrong says={wrong} />
    </form>
  );
}

/** A new PIN for somebody who forgot theirs. */
function NewPin({ person }: { readonly person: ShopPersonView }): React.JSX.Element {
  const [pin, setPin] = useState('');
  const { write, wrong, answer, busy } = useWrite(
    (next: string) =>
      api(`shop/people/${person.id}/pin`, { pin: next }, 'PUT').then(
        () => `${person.name} signs in with the new PIN from now on, and is signed out everywhere.`,
      ),
    { stale: STALE, after: () => setPin('') },
  );
  return (
    <form
      className="shopform"
      noValidate
      aria-label={`New PIN for ${person.name}`}
      onSubmit={(e) => {
        e.preventDefault();
        write(pin);
      }}
    >
      <div>
        <Form.Label htmlFor="new-pin">New PIN, if they forgot theirs</Form.Label>
        <Form.Control
          id="new-pin"
          inputMode="numeric"
          autoComplete="off"
          value={pin}
          onChange={(e) => setPin(e.target.value)}
        />
      </div>
      <Button type="submit" variant="line" disabled={busy || pin === ''}>
        Give it
      </Button>
      <Wrong says={wrong} />
      {answer !== undefined && wrong === undefined && <p role="status">{answer}</p>}
    </form>
  );
}

/** Signing somebody out everywhere, and their leaving for good: asked twice. */
function Leaving({ person, isMe }: { readonly person: ShopPersonView; readonly isMe: boolean }): React.JSX.Element {
  const [asked, setAsked] = useState(false);
  const { write, wrong, busy } = useWrite(
    (what: 'leave' | 'sign-out') =>
      what === 'leave'
        ? api(`shop/people/${person.id}/leave`, {})
        : api(`shop/people/${person.id}/sessions`, undefined, 'DELETE'),
    { stale: STALE },
  );
  return (
    <div className="answers">
      {person.signedIn > 0 && !isMe && (
        <Button variant="line" disabled={busy} onClick={() => write('sign-out')}>
          Sign out everywhere
        </Button>
      )}
      {!asked && (
        <Button variant="line" onClick={() => setAsked(true)}>
          Works here no more …
        </Button>
      )}
      {asked && (
        <>
          <Button variant="line" className="danger" disabled={busy} onClick={() => write('leave')}>
            {person.name} has left
          </Button>
          <Button variant="line" onClick={() => setAsked(false)}>
            No
          </Button>
          <small>Signed out at once. The name stays in every record.</small>
        </>
      )}
      <Wrong says={wrong} />
    </div>
  );
}

function Gone({ person }: { readonly person: ShopPersonView }): React.JSX.Element {
  const { write, wrong, busy } = useWrite(() => api(`shop/people/${person.id}/return`, {}), { stale: STALE });
  return (
    <div className="shopline">
      <span className="initials" aria-hidden="true">
        {person.initials}
      </span>
      <span>
        <b>{person.name}</b>
        <small className="d-block">left {format(new Date(person.left!), 'd MMM yyyy')}</small>
      </span>
      <Button variant="line" className="ms-auto" disabled={busy} onClick={() => write()}>
        Bring back
      </Button>
      <Wrong says={wrong} />
    </div>
  );
}
