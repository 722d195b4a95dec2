import { unitsOf, type Dimension } from '@jubb/core/quantities';
import type { Field, Fields } from '@jubb/core/reckoners';
import { useId } from 'react';
import Button from 'react-bootstrap/Button';
import { Finder } from './finder.tsx';
import { blank, joinTyped, splitTyped, switchUnit } from './inputs.ts';

type Path = readonly (string | number)[];
interface EditorProps {
  readonly field: Field;
  readonly path: Path;
  readonly value: unknown;
  readonly change: (path: Path, value: unknown) => void;
  /** What is wrong, and at which path. */
  readonly wrong: { readonly at: string; readonly says: string } | undefined;
  readonly label?: string;
}
const pathText = (path: Path): string =>
  path.reduce<string>((text, p) => (typeof p === 'number' ? `${text}[${p}]` : text ? `${text}.${p}` : p), '');

/** All fields of a reckoner or of a group in it. */
export function FieldEditors({
  fields,
  path,
  values,
  ...rest
}: Omit<EditorProps, 'field' | 'value' | 'label'> & {
  readonly fields: Fields;
  readonly values: Readonly<Record<string, unknown>>;
}): React.JSX.Element {
  const editor = ([name, field]: [string, Field]): React.JSX.Element => (
    <FieldEditor key={name} field={field} path={[...path, name]} value={values[name]} {...rest} />
  );
  const all = Object.entries(fields);
  const seldom = all.filter(([, f]) => f.more);
  // What is given, or is wrong, is never hidden.
  const open = seldom.some(([name]) => values[name] !== undefined || rest.wrong?.at === pathText([...path, name]));
  return (
    <>
      {all.filter(([, f]) => !f.more).map(editor)}
      {seldom.length > 0 && (
        <details className="more" open={open}>
          <summary>More</summary>
          <div className="fields">{seldom.map(editor)}</div>
        </details>
      )}
    </>
  );
}

/** One field, by its kind, with its own message when it is refused. */
export function FieldEditor(props: EditorProps): React.JSX.Element {
  const { field, path, value, change, wrong } = props;
  const id = useId();
  const here = pathText(path);
  const bad = wrong?.at === here;
  const label = props.label ?? field.label;
  const described = bad ? `${id}-wrong` : field.help ? `${id}-help` : undefined;
  const hint = field.default !== undefined ? `${field.default}` : field.optional ? 'if known' : '';
  const message = bad ? (
    <p id={`${id}-wrong`} className="wrong" role="alert">
      {wrong.says}
    </p>
  ) : field.help ? (
    <p id={`${id}-help`} className="help">
      {field.help}
    </p>
  ) : null;
  const common = { id, 'aria-invalid': bad || undefined, 'aria-describedby': described } as const;

  if (field.kind === 'record') {
    const there = value !== undefined;
    return (
      <fieldset className="group">
        <legend>{label}</legend>
        {field.optional && (
          <Button variant="line" className="small" onClick={() => change(path, there ? undefined : blank(field))}>
            {there ? 'Leave out' : 'Add'}
          </Button>
        )}
        {there && (
          <FieldEditors
            fields={field.fields}
            path={path}
            values={(value ?? {}) as Record<string, unknown>}
            change={change}
            wrong={wrong}
          />
        )}
        {message}
      </fieldset>
    );
  }
  if (field.kind === 'either' && field.options.some((o) => o.kind === 'record'))
    return <FigureOrRecord {...props} field={field} label={label} message={message} />;
  if (field.kind === 'list' && !(field.of.kind === 'number' && field.maxLength > 1000))
    return <ListEditor {...props} field={field} message={message} />;

  return (
    <div className={`fld ${field.kind === 'list' ? 'wide' : ''}`}>
      <label htmlFor={id}>{label}</label>
      {!bad && message}
      {field.kind === 'quantity' && (
        <QuantityInput
          dimension={field.dimension}
          value={value}
          hint={field.default === undefined ? hint : splitTyped(field.default, field.dimension).number}
          label={label}
          set={(v) => change(path, v)}
          {...common}
        />
      )}
      {field.kind === 'choice' && (
        <select
          {...common}
          className="form-select"
          value={typeof value === 'string' ? value : String(field.default ?? '')}
          onChange={(e) => change(path, e.target.value || undefined)}
        >
          {(field.optional || (field.default === undefined && value === undefined)) && <option value="">–</option>}
          {field.options.map((o) => (
            <option key={o} value={o}>
              {o.replace(/-/g, ' ')}
            </option>
          ))}
        </select>
      )}
      {field.kind === 'flag' && (
        <select
          {...common}
          className="form-select"
          value={yesNo(value ?? field.default)}
          onChange={(e) => change(path, e.target.value === '' ? undefined : e.target.value === 'yes')}
        >
          {field.optional && <option value="">–</option>}
          <option value="no">no</option>
          <option value="yes">yes</option>
        </select>
      )}
      {field.kind === 'either' && field.options[0]?.kind === 'choice' && (
        <select
          {...common}
          className="form-select"
          value={typeof value === 'string' ? value : String(field.default ?? '')}
          onChange={(e) => change(path, e.target.value)}
        >
          {typeof value === 'object' && <option value="">an own list</option>}
          {field.options[0].options.map((o) => (
            <option key={o} value={o}>
              {o}
            </option>
          ))}
        </select>
      )}
      {(field.kind === 'text' ||
        field.kind === 'number' ||
        field.kind === 'any-quantity' ||
        field.kind === 'scale' ||
        (field.kind === 'either' && field.options[0]?.kind !== 'choice')) && (
        <input
          {...common}
          className="form-control"
          value={typed(value)}
          placeholder={hint}
          inputMode={field.kind === 'number' ? 'decimal' : undefined}
          onChange={(e) => change(path, untyped(e.target.value, field.kind !== 'text'))}
        />
      )}
      {field.kind === 'text' && field.find && (
        <Finder id={field.find} editors={FieldEditors} take={(found) => change(path, found)} />
      )}
      {field.kind === 'list' && (
        <textarea
          {...common}
          className="form-control"
          rows={4}
          value={Array.isArray(value) ? value.slice(0, 5000).join(' ') : ''}
          onChange={(e) =>
            change(
              path,
              e.target.value
                .split(/[\s;,]+/)
                .filter(Boolean)
                .map(Number),
            )
          }
        />
      )}
      {bad && message}
    </div>
  );
}

const yesNo = (value: unknown): string => (value === true || value === 'yes' ? 'yes' : value === undefined ? '' : 'no');

/** One figure, or the several that stand for it: the angle of a joint, or its angles in two planes. */
function FigureOrRecord({
  field,
  path,
  value,
  change,
  wrong,
  label,
  message,
}: EditorProps & {
  readonly field: Extract<Field, { kind: 'either' }>;
  readonly message: React.JSX.Element | null;
}): React.JSX.Element {
  const record = field.options.find((o) => o.kind === 'record')!;
  const single = field.options.find((o) => o.kind !== 'record')!;
  const several = typeof value === 'object' && value !== null && !('unit' in value);
  return (
    <fieldset className="group either">
      <legend>{label ?? field.label}</legend>
      {several ? (
        <FieldEditors
          fields={record.fields}
          path={path}
          values={value as Record<string, unknown>}
          change={change}
          wrong={wrong}
        />
      ) : (
        <FieldEditor field={single} path={path} value={value} change={change} wrong={wrong} />
      )}
      <Button variant="line" className="small" onClick={() => change(path, several ? '' : blank(record))}>
        {several ? `As one ${single.label.toLowerCase()}` : record.label}
      </Button>
      {several && message}
    </fieldset>
  );
}

const typed = (value: unknown): string =>
  typeof value === 'object' && value !== null && 'unit' in value
    ? `${String((value as { value?: unknown }).value)} ${String(value.unit)}`
    : typeof value === 'string' || typeof value === 'number'
      ? String(value)
      : '';
const untyped = (text: string, numeric: boolean): unknown => {
  if (text === '') return undefined;
  return numeric && /^\s*[+-]?(\d+\.?\d*|\.\d+)\s*$/.test(text) && !text.endsWith('.') ? Number(text) : text;
};

function QuantityInput({
  dimension,
  value,
  hint,
  label,
  set,
  ...common
}: {
  readonly dimension: Dimension;
  readonly value: unknown;
  readonly hint: string;
  readonly label: string;
  readonly set: (value: string | undefined) => void;
  readonly id?: string;
  readonly 'aria-invalid'?: true | undefined;
  readonly 'aria-describedby'?: string | undefined;
}): React.JSX.Element {
  const { number, unit } = splitTyped(value, dimension);
  const units = unitsOf(dimension).map((u) => u.symbol);
  return (
    <span className="qty">
      <input
        {...common}
        {...(common.id ? {} : { 'aria-label': label })}
        className="form-control"
        inputMode="decimal"
        value={number}
        placeholder={hint}
        onChange={(e) => set(joinTyped(e.target.value, unit))}
      />
      {units.length > 1 ? (
        <select
          className="form-select"
          aria-label={`Unit of ${label.toLowerCase()}`}
          value={unit}
          onChange={(e) => set(number === '' ? undefined : switchUnit(value, e.target.value, dimension))}
        >
          {(units.includes(unit) ? units : [unit, ...units]).map((u) => (
            <option key={u}>{u}</option>
          ))}
        </select>
      ) : (
        <span className="unit">{units[0]}</span>
      )}
    </span>
  );
}

function ListEditor({
  field,
  path,
  value,
  change,
  wrong,
  label,
  message,
}: EditorProps & {
  readonly field: Extract<Field, { kind: 'list' }>;
  readonly message: React.JSX.Element | null;
}): React.JSX.Element {
  const rows = Array.isArray(value) ? (value as unknown[]) : [];
  const fixed = field.minLength === field.maxLength;
  const shown =
    fixed && rows.length === 0 && !field.optional ? Array.from({ length: field.minLength }, () => '') : rows;
  const inner = field.of;
  const drop = (i: number): void => {
    const left = rows.filter((_, j) => j !== i);
    change(path, left.length > 0 ? left : undefined);
  };
  return (
    <fieldset className="group">
      <legend>{label ?? field.label}</legend>
      {shown.map((row, i) => (
        <div
          key={i}
          className={`row-edit ${inner.kind !== 'record' ? '' : Object.keys(inner.fields).length > 2 ? 'rec' : 'rec two'}`}
        >
          {inner.kind === 'record' ? (
            <FieldEditors
              fields={inner.fields}
              path={[...path, i]}
              values={(row ?? {}) as Record<string, unknown>}
              change={change}
              wrong={wrong}
            />
          ) : (
            <FieldEditor
              field={inner}
              path={[...path, i]}
              value={row}
              change={change}
              wrong={wrong}
              label={fixed && shown.length === 2 ? ['From', 'To'][i]! : `${inner.label} ${i + 1}`}
            />
          )}
          {!fixed && rows.length > field.minLength && (
            <Button variant="line" className="small" aria-label={`Take out ${i + 1}`} onClick={() => drop(i)}>
              −
            </Button>
          )}
        </div>
      ))}
      {(!fixed || rows.length === 0) && rows.length < field.maxLength && !(fixed && !field.optional) && (
        <Button
          variant="line"
          className="small"
          onClick={() => change(path, fixed ? blank(field) : [...rows, blank(inner)])}
        >
          Add {(fixed ? (label ?? field.label) : inner.label).toLowerCase()}
        </Button>
      )}
      {message}
    </fieldset>
  );
}
