import type { FirstStepView } from '@jubb/contract';

/** What a new shop does first: what each step is called, what it is for, where it is done. */
export const STEPS: Readonly<
  Record<FirstStepView['id'], { readonly title: string; readonly says: string; readonly to: string }>
> = {
  yourself: {
    title: 'Say who you are',
    says: 'Your name instead of “Owner”, and a PIN of your own: press your initials',
    to: '/shop/people',
  },
  money: { title: 'Name, hour’s rate and tax', says: 'What quotes are reckoned with', to: '/shop/money' },
  places: { title: 'Benches, shelf, hours', says: 'Where units stand, and when you work', to: '/shop/places' },
  people: {
    title: 'Who works with you',
    says: 'Each with a role and a PIN; nobody, if you work alone',
    to: '/shop/people',
  },
  instruments: {
    title: 'Your own wrenches and gauges',
    says: 'Range, uncertainty, calibration; take the simulated ones off the list',
    to: '/shop/instruments',
  },
  drawers: { title: 'Shims that you have', says: 'Counted once, then kept by the jobs', to: '/shop/drawers' },
  job: { title: 'Book the first unit in', says: 'The bench leads on from there', to: '/book' },
};

/**
 * Which step a part of the shop is, of those that are asked in order: of two at one place the one that is not done.
 * @returns undefined for a part that is no step
 */
export function stepAt(list: readonly FirstStepView[], path: string): number | undefined {
  const here = list.flatMap((s, i) => (STEPS[s.id].to === path ? [i] : []));
  return here.find((i) => !list[i]!.done) ?? here.at(-1);
}
