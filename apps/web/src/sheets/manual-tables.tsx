import type { DocumentView } from '@jubb/contract';
import { convert, formatBand, formatQuantity } from '@jubb/core/quantities';
import { ReckonError, torqueSanity } from '@jubb/core/reckoners';
import { fastenerLength, faultCure, faultShows, partsOfVariant, type Joint, type Sheet } from '@jubb/core/sheet';
import Table from 'react-bootstrap/Table';
import { BeltRoute, routesOf } from '../drawing/belt-route.tsx';
import { Whose } from '../bench/figure-source.tsx';

interface Props {
  readonly sheet: Sheet;
  readonly variant: string | undefined;
  readonly documents: readonly DocumentView[];
}
const RENEW = { always: 'always new', inspect: 'looked at', judge: 'judged' } as const;

/** Everything with a figure or a rule, in tables. */
export function ManualTables({ sheet, variant, documents }: Props): React.JSX.Element {
  const used = partsOfVariant(sheet, variant);
  const whose = (from: Parameters<typeof Whose>[0]['from']): React.JSX.Element => (
    <Whose from={from} documents={documents} />
  );
  return (
    <>
      <Titled title="Parts" heads={['Part', 'Count', 'Rule', 'Order', 'How it goes']}>
        {Object.values(sheet.parts)
          .filter((p) => used.has(p.id))
          .map((p) => (
            <tr key={p.id} id={`part-${p.id}`}>
              <td>
                {p.title}
                {fastenerLength(sheet, p.id) && <small>, {formatQuantity(fastenerLength(sheet, p.id)!)}</small>}
              </td>
              <td>{p.countKnown ? p.count : 'counted'}</td>
              <td>
                {p.stays
                  ? 'stays on'
                  : p.savedFrom
                    ? `saved from the ${sheet.parts[p.savedFrom]?.title.toLowerCase()}`
                    : RENEW[p.renew]}
              </td>
              <td>{p.order ?? ''}</td>
              <td>
                {[
                  p.where,
                  p.goes,
                  p.fits === 'several ways' ? 'fits several wrong ways' : p.fits === 'one way' ? 'one way only' : '',
                ]
                  .filter((w) => w)
                  .join('; ')}
              </td>
            </tr>
          ))}
      </Titled>
      <Titled title="Joints" heads={['Joint', 'Thread', 'Figures', 'In the other unit', 'Sanity', 'Whose']}>
        {Object.values(sheet.joints).map((j) => (
          <tr key={j.id}>
            <td>
              {j.title}
              {j.hand === 'left' && <b className="weak"> left-hand</b>}
              {j.fasteners === 'new' && <small className="d-block">new each time</small>}
              {j.threadlocker && <small className="d-block">threadlocker: {j.threadlocker}</small>}
              {j.hold && <small className="d-block">hold {j.hold}</small>}
            </td>
            <td>
              {j.count > 0 ? `${j.count} × ` : ''}
              {j.thread}
              {j.propertyClass ? `, ${j.propertyClass}` : ''}
            </td>
            <td>
              {j.stages.map((s) => (
                <span key={s.name} className="d-block">
                  {s.unitAsked
                    ? `${s.to.value}, unit not said`
                    : s.windowAssumed
                      ? formatQuantity(s.to)
                      : formatBand(s.window)}
                </span>
              ))}
            </td>
            <td>
              {j.stages.map((s) => (
                <span key={s.name} className="d-block">
                  {s.kind === 'angle' || s.unitAsked
                    ? ''
                    : formatQuantity(convert(s.to, s.to.unit === 'N·m' ? 'ft·lbf' : 'N·m'), 1)}
                </span>
              ))}
            </td>
            <td>{sanityOf(j)}</td>
            <td>{whose(j.from)}</td>
          </tr>
        ))}
      </Titled>
      <Titled title="Settings and limits" heads={['What', 'Figure', 'By', 'Whose']}>
        {Object.values(sheet.settings).map((s) => (
          <Row key={s.id} cells={[s.title, formatBand(s.band), s.how ?? s.gauge, whose(s.from)]} />
        ))}
        {Object.values(sheet.measures).map((m) => (
          <Row
            key={m.id}
            cells={[
              m.title,
              [
                m.newSize ? `new ${formatQuantity(m.newSize)}` : '',
                m.min ? `at least ${formatQuantity(m.min)}` : '',
                m.max ? `at most ${formatQuantity(m.max)}` : '',
              ]
                .filter((w) => w !== '')
                .join(', '),
              m.gauge,
              whose(m.from),
            ]}
          />
        ))}
      </Titled>
      <Titled title="Tests and looks" heads={['What', 'Good', 'By', 'If not, look at']}>
        {Object.values(sheet.tests).map((t) => (
          <Row key={t.id} cells={[t.title, formatBand(t.accept), t.gauge, names(sheet, t.failedBy)]} />
        ))}
        {Object.values(sheet.looks).map((l) => (
          <Row
            key={l.id}
            cells={[
              l.ask,
              l.choices
                .filter((c) => c.verdict === 'good')
                .map((c) => c.title)
                .join(' or '),
              l.by,
              names(sheet, l.failedBy),
            ]}
          />
        ))}
      </Titled>
      {sheet.faults && (
        <Titled title="Faults, the likeliest first" heads={['What is wrong', 'What it shows', 'What cures it']}>
          {Object.values(sheet.faults)
            .sort((a, b) => b.often - a.often)
            .map((f) => (
              <Row key={f.id} cells={[f.title, faultShows(sheet, f).join('; '), faultCure(sheet, f).join(', ')]} />
            ))}
        </Titled>
      )}
      {Object.values(sheet.methods).length > 0 && (
        <Titled title="Methods" heads={['Question', 'Choice', 'When it is right']}>
          {Object.values(sheet.methods).flatMap((m) =>
            m.choices.map((c, i) => <Row key={m.id + c.id} cells={[i === 0 ? m.ask : '', c.title, c.why]} />),
          )}
        </Titled>
      )}
      {sheet.standing.length > 0 && (
        <Titled title="Standing cautions" heads={['From', 'Until', 'Do not']}>
          {sheet.standing.map((s) => (
            <Row key={s.id} cells={[stepTitle(sheet, s.from), stepTitle(sheet, s.until), s.say]} />
          ))}
        </Titled>
      )}
      {routesOf(sheet.routes, undefined, variant).map((r) => (
        <figure key={r.id} className="m-0 mt-3">
          <figcaption>
            <b>{r.title}</b>, seen from the front
          </figcaption>
          <BeltRoute route={r} />
        </figure>
      ))}
      <Titled title="Aids, marks and leads" heads={['Kind', 'What', 'Where']}>
        {Object.values(sheet.aids).map((a) => (
          <Row key={a.id} cells={['aid', a.title, a.where]} />
        ))}
        {Object.values(sheet.marks).map((m) => (
          <Row key={m.id} cells={['mark', `${m.title}, ${m.with}`, m.where]} />
        ))}
        {Object.values(sheet.leads).map((l) => (
          <Row key={l.id} cells={[l.kind, l.title, l.where]} />
        ))}
      </Titled>
      {Object.values(sheet.stacks).map((s) => (
        <Titled key={s.id} title={s.title} heads={['From ' + s.from, '']}>
          {s.layers.map((l, i) => (
            <Row key={`${i}-${l.part}`} cells={[String(i + 1), l.title]} />
          ))}
          {s.last && <Row cells={['', s.last]} />}
        </Titled>
      ))}
      {Object.values(sheet.fluids).length > 0 && (
        <Titled title="Fluids" heads={['Fluid', 'Grade', 'How much', 'Whose']}>
          {Object.values(sheet.fluids).map((f) => (
            <Row key={f.id} cells={[f.title, f.grade, formatQuantity(f.amount), whose(f.from)]} />
          ))}
        </Titled>
      )}
    </>
  );
}

const names = (sheet: Sheet, ids: readonly string[]): string =>
  ids
    .map((id) => sheet.parts[id]?.title ?? sheet.settings[id]?.title ?? sheet.joints[id]?.title ?? id)
    .join(', ')
    .toLowerCase();
const stepTitle = (sheet: Sheet, id: string): string => {
  const step = sheet.steps.find((s) => s.id === id);
  return step ? `${step.side} ${step.title.toLowerCase()}` : id;
};

/** What `torque-sanity` says of the last torque of a joint. */
function sanityOf(joint: Joint): string {
  const final = joint.stages.findLast((s) => s.kind === 'torque');
  if (!final || final.unitAsked) return 'not to be judged';
  try {
    const { percentOfYield, verdict } = torqueSanity.reckon({
      thread: joint.thread,
      torque: final.to,
      propertyClass: joint.propertyClass,
      softThread: joint.into,
    }).results;
    const why = verdict === 'low' && joint.lowBecause ? `: ${joint.lowBecause.toLowerCase()}` : '';
    return `${Math.round(percentOfYield.value)} % of yield, ${verdict}${why}`;
  } catch (e) {
    if (e instanceof ReckonError) return 'not in the tables';
    throw e;
  }
}

function Titled({
  title,
  heads,
  children,
}: {
  readonly title: string;
  readonly heads: readonly string[];
  readonly children: React.ReactNode;
}): React.JSX.Element {
  return (
    <>
      <h2>{title}</h2>
      <Table>
        <thead>
          <tr>
            {heads.map((h, i) => (
              <th key={`${i}-${h}`} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </Table>
    </>
  );
}

function Row({ cells }: { readonly cells: readonly React.ReactNode[] }): React.JSX.Element {
  return (
    <tr>
      {cells.map((c, i) => (
        <td key={i}>{c}</td>
      ))}
    </tr>
  );
}
