import type { MeView } from '@jubb/contract';
import { quoteInForce, quoteStands, type BenchState } from '@jubb/core/bench';
import type { BuyingWay } from '@jubb/core/parts';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api } from '../api/client.ts';
import { newId } from '../api/ids.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { JobHead } from '../bench/job-head.tsx';
import { Go } from '../bench/panels/panel.tsx';
import { useBench } from '../bench/use-bench.ts';
import { minorOf, moneyWords } from '../money.ts';
import { BillLines } from './bill-lines.tsx';
import { AnswerForm, type QuoteAnswer } from './answer-form.tsx';
import { WornUnit } from './worn-unit.tsx';
import { ByTelephone } from './by-telephone.tsx';
import { FindingRows, judgedParts } from './finding-rows.tsx';
import { Offers } from './offers.tsx';
import { PartsList } from './parts-list.tsx';
import { WhileOpenList } from './while-open.tsx';
import { WiderScope } from './wider-scope.tsx';

/** Findings and quote: the parts with their readings, what to offer, the list, the yes. */
export default function FindingsScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { id = '' } = useParams();
  const { bench, error, visits } = useBench(id, me);
  const offer = useQuery(queries.offer(id));
  const [way, setWay] = useState<BuyingWay>('cheapest');
  const [byHand, setByHand] = useState<Readonly<Record<string, string>>>({});
  const asked = useWrite(
    ({ path, body }: { readonly path: string; readonly body: object }) =>
      api(`jobs/${id}/${path}`, { commandId: newId(), ...body }),
    {
      stale: [['job', id], ['offer', id], ['plan', id], ['parts']],
      noLine: 'No line to the server: nothing was sent. Try again.',
    },
  );
  const { busy, wrong } = asked;
  if (!bench || !offer.data)
    return (
      <main className="empty">
        {error || offer.error
          ? `These findings cannot be shown: ${(error ?? offer.error)!.message}`
          : 'Fetching the findings …'}
      </main>
    );
  const { sheet, state } = bench;
  const { offer: ways, plan, bill, agreedMinor, money, time } = offer.data;
  const post = (path: string, body: object): void => asked.write({ path, body });
  const judged = judgedParts(sheet, state);
  const done = judged.filter((p) => state.findings[p]).length;
  const quote = quoteInForce(state);
  const stale = quote !== undefined && !quoteStands(state);
  const open = quote && !quote.answer && !stale;
  const agreed = quote?.options.find((o) => o.id === quote.answer?.option);
  /** A yes that is enough for what was agreed to. */
  const yes = agreed !== undefined && !stale && (agreedMinor === null || agreed.totalMinor <= agreedMinor);
  const shown = quote && !stale ? quote.options : ways.options;
  const exchange = yes && agreed.id === 'exchange';
  const unjudged = judged.filter((p) => !state.findings[p]).map((p) => (sheet.parts[p]?.title ?? p).toLowerCase());
  return (
    <main className="bench findings">
      <JobHead bench={bench} me={me} visits={visits.length} toggle={() => undefined} extra={undefined} />
      <div className="findingsmain">
        <section className="left" aria-label="Findings" tabIndex={0}>
          <h2>
            Findings, {done} of {judged.length} judged
          </h2>
          <WornUnit sheet={sheet} state={state} />
          <FindingRows sheet={sheet} state={state} needs={plan.needs} />
          <CauseRows causes={Object.values(state.causes)} />
        </section>
        <aside className="right" aria-label="What to offer">
          <div className="offers">
            <h2>{quote && !stale ? `Quote ${state.booked?.number}/${quote.version}` : 'What to offer'}</h2>
            <Offers
              options={shown}
              advised={quote && !stale ? quote.advised : ways.advised}
              currency={money.currency}
              agreedMinor={agreedMinor}
            />
            {!quote && ways.words && <p className="m-0">{ways.words}</p>}
            {time.jobs > 0 && !quote && (
              <p className="m-0 quiet">
                Hours: the sheet&rsquo;s, times {time.factor.toFixed(2)} by {time.jobs} such jobs of this shop.
              </p>
            )}
            <BillLines bill={bill} agreedMinor={agreedMinor} money={money} quoted={quote !== undefined} />
            <WiderScope key={state.scope ?? ''} bench={bench} />
            <WhileOpenList bench={bench} money={money} />
            {!exchange && (
              <PartsList
                sheet={sheet}
                job={id}
                cheapest={plan}
                money={money}
                way={way}
                choose={setWay}
                byHand={byHand}
                priceByHand={open || yes ? undefined : (part, price) => setByHand({ ...byHand, [part]: price })}
              />
            )}
            {!exchange && <ByTelephone key={plan.needs.length} job={id} plan={plan} currency={money.currency} />}
            {quote?.answer && <Answered answer={quote.answer} stale={stale} currency={money.currency} />}
            {wrong && (
              <p className="field-error" role="alert">
                {wrong}
              </p>
            )}
            {quote && (
              <a
                className="btn-line"
                href={`/api/jobs/${id}/quotes/${quote.version}.pdf`}
                target="_blank"
                rel="noreferrer"
              >
                Print quote {state.booked?.number}/{quote.version}
              </a>
            )}
          </div>
          {open ? (
            <AnswerForm
              quote={quote}
              busy={busy}
              send={(a: QuoteAnswer) => post(`quotes/${quote.version}/answer`, a)}
            />
          ) : yes && !exchange && plan.lines.length > 0 ? (
            <Go label="Order the parts" act={() => post('orders', { way })} disabled={busy} />
          ) : yes ? (
            <Link to={`/job/${id}`} className="btn-go mt-auto">
              <span>Back to the bench</span>
            </Link>
          ) : (
            <Go
              label={`${quote ? 'Write a new quote' : 'Write the quote'}${unjudged.length > 0 ? `, ${unjudged.length} not judged yet` : ''}`}
              act={() =>
                post('quotes', {
                  byHand: pricesByHand(byHand),
                  note: unjudged.length > 0 ? `Not judged yet, and not in the sum: ${unjudged.join(', ')}.` : '',
                })
              }
              disabled={busy || done === 0}
            />
          )}
        </aside>
      </div>
    </main>
  );
}

/** What was typed for parts that no list has a price of. */
const pricesByHand = (
  typed: Readonly<Record<string, string>>,
): readonly { readonly part: string; readonly priceMinor: number }[] =>
  Object.entries(typed).flatMap(([part, price]) => {
    const priceMinor = minorOf(price);
    return priceMinor === undefined ? [] : [{ part, priceMinor }];
  });

/** Why it came in, by what was found. */
function CauseRows({ causes }: { readonly causes: readonly BenchState['causes'][string][] }): React.JSX.Element {
  return (
    <>
      {causes.map((c) => (
        <div key={c.cause} className="frow">
          <div>
            <b>Cause</b>
            <small>{c.ask}</small>
          </div>
          <p className="m-0">
            <b>{c.title}</b>
            {c.evidence.map((e) => (
              <small key={e} className="d-block">
                {e}
              </small>
            ))}
          </p>
          <small>{c.then ?? ''}</small>
        </div>
      ))}
    </>
  );
}

/** Who answered the quote, how, and up to how much. */
function Answered({
  answer,
  stale,
  currency,
}: {
  readonly answer: NonNullable<BenchState['quotes'][number]['answer']>;
  readonly stale: boolean;
  readonly currency: string;
}): React.JSX.Element {
  return (
    <p className="m-0">
      <b>
        {answer.answer === 'no' ? 'No' : 'Yes'}, {answer.who}
      </b>{' '}
      {answer.how}
      {answer.answer !== 'no' && `, up to ${moneyWords(answer.agreedMinor, currency)}`}
      {stale && '. Something was found since: it wants a new quote.'}
    </p>
  );
}
