import Button from 'react-bootstrap/Button';
/** A choice of one, as buttons that a glove can press. */
export function Radios<T extends string>({
  label,
  choices,
  chosen,
  choose,
}: {
  readonly label: string;
  readonly choices: readonly (readonly [T, string])[];
  readonly chosen: T;
  readonly choose: (id: T) => void;
}): React.JSX.Element {
  return (
    <div className="answers" role="radiogroup" aria-label={label}>
      {choices.map(([id, words]) => (
        <Button key={id} role="radio" aria-checked={chosen === id} variant="line" onClick={() => choose(id)}>
          {words}
        </Button>
      ))}
    </div>
  );
}
