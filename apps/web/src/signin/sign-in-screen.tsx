import { LineBar } from '../line/line-bar.tsx';
import { NamesAndPin } from './names-and-pin.tsx';

/** Who it is, before anything else. What waits on this device is told of here too. */
export default function SignInScreen(): React.JSX.Element {
  return (
    <>
      <LineBar person={undefined} />
      <main className="signin">
        <h1>Whose hands?</h1>
        <NamesAndPin />
      </main>
    </>
  );
}
