import type { InvoiceRow } from '@jubb/contract';

const SHAPES: Readonly<Record<InvoiceRow['state'], string>> = {
  open: '○',
  'part paid': '◐',
  overdue: '▲',
  paid: '●',
  credited: '↺',
  'paid too much': '▲',
  credit: '↺',
};

/** How an invoice stands: a shape, a word and a colour. */
export const StateWord = ({ state }: { readonly state: InvoiceRow['state'] }): React.JSX.Element => (
  <span className={`stateword ${state.replaceAll(' ', '-')}`}>
    <span aria-hidden="true">{SHAPES[state]}</span> {state}
  </span>
);
