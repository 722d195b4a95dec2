import type { NetworkView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { queries } from '../api/queries.ts';

/** How the tablets of the shop reach it: an address and a code to scan, and how each takes the shop's certificate in. */
export function Tablets(): React.JSX.Element {
  const network = useQuery(queries.network());
  if (!network.data)
    return <p className="empty">{network.isError ? network.error.message : 'Looking at the network …'}</p>;
  const { open, https, ways, authority } = network.data;
  if (!open)
    return (
      <div className="tablets">
        <p className="tabletsays">
          <b>Only the machine that it runs on reaches this workshop.</b>
        </p>
        <p>
          For tablets at the bench, stop it and start it again with a line of its own:
          <br />
          <code>./jubb start --https</code>
        </p>
        <p className="quiet">Then this page shows a code that each tablet scans once.</p>
      </div>
    );
  return (
    <div className="tablets">
      {!https && (
        <p className="tabletsays open" role="status">
          <b>The line is open to whoever listens on the network.</b> PINs go over it as they are typed; the camera, a
          screen that stays on and <i>Install</i> do not work. Start with <code>./jubb start --https</code> instead.
        </p>
      )}
      {ways.map((way) => (
        <Way key={way.address} way={way} />
      ))}
      {ways.length === 0 && <p>This machine has no address on a network now.</p>}
      {authority && (
        <p className="quiet">
          The shop’s certificate, to compare with what the tablet shows (SHA-256):
          <code className="print">{authority.sha256}</code>
          It holds until {format(new Date(authority.until), 'd MMMM yyyy')}.
        </p>
      )}
    </div>
  );
}

function Way({ way }: { readonly way: NetworkView['ways'][number] }): React.JSX.Element {
  return (
    <section className="way" aria-label={way.address}>
      <img
        src={`data:image/svg+xml,${encodeURIComponent(way.code)}`}
        alt={`A code to scan: ${way.guide ?? way.address}`}
        width={220}
        height={220}
      />
      <div>
        <h2>{way.address}</h2>
        {way.guide === undefined ? (
          <p>Scan the code, or type the address. Then sign in.</p>
        ) : (
          <ol>
            <li>
              Scan the code with the tablet, or open <b>{way.guide}</b> on it.
            </li>
            <li>Take the shop’s certificate, as the page there says. This is done once on each device.</li>
            <li>
              Open <b>{way.address}</b>, sign in, and choose <i>Install</i> or <i>Add to home screen</i> in its menu.
            </li>
          </ol>
        )}
      </div>
    </section>
  );
}
