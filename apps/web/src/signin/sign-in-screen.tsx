import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries.ts';
import { LineBar } from '../line/line-bar.tsx';
import { NamesAndPin } from './names-and-pin.tsx';

/** Who it is, before anything else. What waits on this device is told of here too. */
export default function SignInScreen(): React.JSX.Element {
  const { data } = useQuery(queries.door());
  return (
    <>
      <LineBar person={undefined} />
      <main className="signin">
        {data && <p className="doorname">{data.shop}</p>}
        <h1>Whose hands?</h1>
        <NamesAndPin />
      </main>
    </>
  );
}
