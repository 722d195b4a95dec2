import { describe, expect, test } from '@jest/globals';
import type { DeskRecord, ProveRecord, StripRecord } from '@jubb/core/bench';
import { renderToStaticMarkup } from 'react-dom/server';
import { DeskSection } from './desk-section.tsx';
import { ProvingSection } from './proving-section.tsx';
import { StripSection } from './strip-section.tsx';

/** What is read on the page, cell by cell. */
const said = (element: React.JSX.Element): string =>
  renderToStaticMarkup(element)
    .replace(/\u202f/g, ' ')
    .replace(/<!-- -->/g, '')
    .replace(/<[^>]+>/g, '|')
    .replace(/\|+/g, '|');
const at = (hour: number): { seq: number; at: string; by: { id: string; name: string; initials: string } } => ({
  seq: 1,
  at: new Date(2026, 10, 24, hour).toISOString(),
  by: { id: 'p', name: 'Una Reith', initials: 'UR' },
});

describe('the strip in the record', () => {
  const nothing: StripRecord = {
    identified: [],
    looks: [],
    leads: [],
    stacks: [],
    counted: [],
    waits: [],
    notes: [],
    photos: [],
    parked: [],
    weakFigures: [],
  };
  const strip = (more: Partial<StripRecord>): string => said(<StripSection strip={{ ...nothing, ...more }} />);

  test('nothing stands there of what did not happen', () => {
    expect(strip({})).toBe('');
  });

  test('a lead that was parted is said to be on again, or cried out', () => {
    const lead = { title: 'Field wire', where: 'rear', parted: at(8) };
    expect(strip({ leads: [{ ...lead, reconnected: at(10) }] })).toContain('|Field wire|rear|on again 24 Nov, 10:00|');
    expect(strip({ leads: [lead] })).toContain('|STILL PARTED|');
  });

  test('a wait was waited for, runs, or was cut short and why', () => {
    const wait = { title: 'Cure', minutes: 15, from: at(9), early: null };
    expect(strip({ waits: [wait] })).toContain('|Cure|15 min from 24 Nov, 09:00|runs|');
    expect(strip({ waits: [{ ...wait, until: at(10) }] })).toContain('|waited|');
    expect(strip({ waits: [{ ...wait, until: at(10), early: 'The film had skinned' }] })).toContain(
      '|cut short: The film had skinned|',
    );
  });

  test('an order that is not the sheet’s is told with its reason; how it was built counts before how it was found', () => {
    const stack = { title: 'Plates', from: 'the basket', asFound: ['steel', 'lined'], asSheet: false };
    expect(strip({ stacks: [{ ...stack, reason: 'one lined plate was missing' }] })).toContain(
      '|Plates, from the basket|steel, lined|not as the sheet: one lined plate was missing|',
    );
    expect(strip({ stacks: [{ ...stack, built: ['lined', 'steel'], asSheet: true }] })).toContain(
      '|lined, steel|as the sheet|',
    );
  });

  test('counts say of how many, where the sheet knows; trays that agreed say so', () => {
    const count = { title: 'Ball', count: 9, ...at(8) };
    expect(strip({ counted: [{ ...count, expected: 10, reason: 'one fell' }] })).toContain('|Ball|9 of 10|one fell|');
    expect(strip({ counted: [{ ...count, expected: null }] })).toContain('|Ball|9|');
    expect(strip({ parked: [{ to: 'bench A', differences: [], ...at(8) }] })).toContain('|all trays agreed|');
    expect(
      strip({ parked: [{ to: 'bench A', differences: ['Ball: 9 of 10'], reason: 'one fell', ...at(8) }] }),
    ).toContain('|Ball: 9 of 10: one fell|');
  });

  test('who had it open before stands first', () => {
    const opened = { answer: 'yes', signs: ['Sealant', 'Round nuts'], why: 'it leaks again' };
    expect(strip({ opened })).toBe('|Opened before: yes, by sealant, round nuts. Back because: it leaks again|');
  });
});

describe('the desk in the record', () => {
  const nothing: DeskRecord = { figures: [], causes: [], deferrals: [], differs: [], parts: [], quotes: [] };
  const desk = (more: Partial<DeskRecord>): string => said(<DeskSection desk={{ ...nothing, ...more }} />);

  test('a quote says what was advised, who answered what, and up to how much', () => {
    const quote = { version: 2, currency: '£', advised: 'Overhaul', ...at(8) };
    const answer = { says: 'yes', who: 'Mrs Isbister', how: 'by telephone', agreedMinor: 24050, ...at(9) };
    expect(desk({ quotes: [quote] })).toContain('|Quote 2: overhaul advised|not answered|');
    expect(desk({ quotes: [{ ...quote, answer }] })).toContain('|yes, Mrs Isbister by telephone|up to £ 240.50|');
    expect(desk({ quotes: [{ ...quote, answer: { ...answer, says: 'no' } }] })).not.toContain('up to');
  });

  test('parts that went back, causes with what speaks for them, what is left for the next visit', () => {
    const all = desk({
      parts: [
        { number: 'X-1', title: 'Cone', count: 2, supplier: 'Gannet', status: 'arrived', sentBack: ['wrong bore'] },
      ],
      causes: [{ ask: 'Why?', title: 'Water', evidence: ['rust', 'grey grease'], note: 'the cap was off', ...at(8) }],
      deferrals: [{ title: 'Hose', words: 'is chafed', ...at(8) }],
      differs: [{ title: 'Seal', finding: 'reuse', advised: 'renew', reason: 'none in stock' }],
    });
    expect(all).toContain('|2 × Cone|X-1, Gannet|arrived; sent back: wrong bore|');
    expect(all).toContain('|Why?|Water|rust; grey grease; the cap was off|');
    expect(all).toContain('|Hose|is chafed|next visit|');
    expect(all).toContain('|Seal|reuse, renew was advised|none in stock|');
  });
});

describe('what was proved', () => {
  const nothing: ProveRecord = { tests: [], ledBack: [], runIn: [], lookAgain: [] };
  const proved = (more: Partial<ProveRecord>): string => said(<ProvingSection proving={{ ...nothing, ...more }} />);
  const run: ProveRecord['tests'][number] = {
    title: 'Drag',
    moment: 'now',
    value: { value: 1.2, unit: 'N·m' },
    verdict: 'outside',
    checks: [],
    says: [],
    working: [],
    ...at(10),
  };

  test('a plain reading is told with the comparisons, and not here again', () => {
    expect(proved({ tests: [run] })).toBe('');
  });

  test('what a stand said besides, how it changed, and that it was handed over so', () => {
    const page = proved({
      tests: [
        {
          ...run,
          change: '2.0 before, 1.2 now',
          checks: [{ name: 'Settled', says: 'It has settled', verdict: 'within' }],
          says: ['Stopped after 40 s'],
          keptSo: 'the owner wants it back tonight',
        },
      ],
    });
    expect(page).toContain('|Drag, now|');
    expect(page).toContain('|2.0 before, 1.2 now|Settled: within. It has settled|Stopped after 40 s|');
    expect(page).toContain('|Handed over so: the owner wants it back tonight|');
  });

  test('each way back with its reasons, who looked it over, and what comes next', () => {
    const page = proved({
      ledBack: [{ test: 'Fall', suspect: 'Valve plate', why: ['The run tells it', 'It comes first'], ...at(11) }],
      checked: at(12),
      runIn: ['Half an hour unloaded'],
      lookAgain: ['Bolts after a day', 'Oil after ten hours'],
    });
    expect(page).toContain('24 Nov, 11:00: Fall failed, back to the valve plate. The run tells it. It comes first.');
    expect(page).toContain('Looked over by Una Reith, 24 Nov 2026, 12:00.');
    expect(page).toContain('Running in: Half an hour unloaded.');
    expect(page).toContain('Look again: Bolts after a day. Oil after ten hours.');
  });
});
