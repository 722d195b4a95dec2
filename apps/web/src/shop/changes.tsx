import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { queries } from '../api/queries.ts';

/** Who changed which setting of the shop, and when: the newest first. */
export function Changes(): React.JSX.Element {
  const changes = useQuery({ ...queries.shopChanges(), refetchOnMount: 'always' });
  if (!changes.data) return <p className="empty">{changes.isError ? changes.error.message : 'Reading the log …'}</p>;
  if (changes.data.length === 0) return <p className="mt-3">No setting was changed yet.</p>;
  return (
    <ul className="shoplist mt-3" aria-label="Changes">
      {changes.data.map((c, i) => (
        <li key={`${c.at} ${i}`} className="change">
          <small>
            {format(new Date(c.at), 'd MMM yyyy, HH:mm')}, {c.by}
          </small>
          <b>{c.what}</b>
          <span>
            {c.was !== null && <del>{c.was}</del>} {c.is}
          </span>
        </li>
      ))}
    </ul>
  );
}
