/** Why something was not kept. */
export const Wrong = ({
  says,
  id,
}: {
  readonly says: string | undefined;
  readonly id?: string;
}): React.JSX.Element | null =>
  says === undefined ? null : (
    <p id={id} className="field-error m-0" role="alert">
      {says}
    </p>
  );
