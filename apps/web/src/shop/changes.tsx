import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { queries } from '../api/queries.ts';

/** Who changed which setting of the shop, and when: the newest first. */
export function Changes(): React.JSX.Element {
  const changes = useQuery(queries.shopChanges());
  if (!changes.data) return <p className="empty">{changes.isError ? changes.error.message : 'Reading the log …'}</p>;
  if (changes.data.length === 0) return <p className="mt-3">No setting was changed yet.</p>;
  return (
    <table className="thennow mt-3">
      <thead>
        <tr>
          <th>When</th>
          <th>Who</th>
          <th>What</th>
          <th>Was</th>
          <th>Is</th>
        </tr>
      </thead>
      <tbody>
        {changes.data.map((c, i) => (
          <tr key={`${c.at} ${i}`}>
            <td>{format(new Date(c.at), 'd MMM yyyy, HH:mm')}</td>
            <td>{c.by}</td>
            <td>{c.what}</td>
            <td>{c.was ?? '–'}</td>
            <td>{c.is ?? '–'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
