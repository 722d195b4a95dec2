/** @jest-environment jsdom */
import { afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { aidsIn, standingNow, type BenchState } from '@jubb/core/bench';
import { cleanup, screen } from '@testing-library/react';
import { likeABrowser, serve, show, una } from '../server.fixtures.tsx';
import { JobHead } from './job-head.tsx';
import { benchOf, bookedJob, shipped, sheets, workedUntil } from './rehearsed.fixtures.ts';
import { TruthColumn } from './truth-column.tsx';

beforeAll(likeABrowser);
afterEach(cleanup);
const hub = shipped('hub-dolly');
const column = (state: BenchState, sheet = hub): string => {
  const { bench } = benchOf({ sheet, state });
  show(<TruthColumn bench={bench} open ownWorking={false} />);
  return screen.getByRole('complementary', { name: 'What is true now' }).textContent;
};

describe('what is true now', () => {
  test('at the start there is nothing to remember', () => {
    expect(column(bookedJob(hub).job().state)).toContain('Standing cautionsnone now');
  });

  test('every aid that is in stands there with its place until it is out', () => {
    const { state } = workedUntil(hub, (s) => aidsIn(hub, s).length > 0)!;
    const [aid] = aidsIn(hub, state);
    expect(column(state)).toContain(`${aid!.title}${aid!.where}`);
    cleanup();
    const out = { ...state.aids[aid!.id]!, removed: state.aids[aid!.id]!.fitted };
    expect(column({ ...state, aids: { ...state.aids, [aid!.id]: out } })).not.toContain(`${aid!.title}${aid!.where}`);
  });

  test('a caution that stands says what not to do, on every sheet that has one', () => {
    const cautious = sheets.filter((s) => s.standing.length > 0);
    expect(cautious.length).toBeGreaterThan(3);
    for (const sheet of cautious.slice(0, 4)) {
      const worked = workedUntil(sheet, (s) => standingNow(sheet, s).length > 0);
      if (!worked) throw new Error(`${sheet.id} never comes to its caution`);
      const [standing] = standingNow(sheet, worked.state);
      const told = column(worked.state, sheet);
      expect(told).toMatch(/^Do not/);
      expect(told.toLowerCase()).toContain(standing!.say.replace(/^Do not /, '').toLowerCase());
      cleanup();
    }
  });

  test('what lies in the trays is counted where it lies', () => {
    const { state } = workedUntil(hub, (s) => Object.keys(s.off).length > 1)!;
    const told = column(state);
    for (const [part, lying] of Object.entries(state.off)) {
      expect(told).toContain(hub.parts[part]!.title);
      expect(told).toContain(`tray ${lying.tray}`);
    }
  });
});

describe('the head of a job', () => {
  const me = { ...una, workshop: { ...una.workshop, rateMinor: 5200, taxPercent: 20 } } as typeof una;
  const head = (state: BenchState): string => {
    serve({ 'plan/slack': {} });
    const { bench } = benchOf({ sheet: hub, state });
    const { container } = show(<JobHead bench={bench} me={me} visits={2} toggle={() => undefined} extra={undefined} />);
    return container.textContent;
  };
  test('says whose unit it is, that it was here, and how much work is left', () => {
    const told = head(bookedJob(hub).job().state);
    expect(told).toContain('Job 1, here before: 2 · Council Depot · x');
    expect(told).toMatch(/Hands needed\d+ h/);
    expect(told).not.toContain('Agreed');
  });

  test('once a sum is agreed it stands beside what it comes to by now', () => {
    const { state } = bookedJob(hub).job();
    expect(head({ ...state, booked: { ...state.booked!, spendLimitMinor: 100 } })).toMatch(
      /Agreed £\s1, with taxcomes to £\s\d/,
    );
    expect(document.querySelector('.past-agreed')).not.toBeNull();
  });

  test('one that is signed asks for nothing more', () => {
    const { state } = bookedJob(hub).job();
    head({ ...state, signed: state.booked! });
    expect(screen.queryByRole('button')).toBeNull();
  });
});
