import type { Finding } from '@jubb/core/sheet';

const WORDS: Readonly<Record<Finding, { now: string; past: string }>> = {
  reuse: { now: 'Reuse', past: 'used again' },
  dress: { now: 'Dress', past: 'dressed' },
  renew: { now: 'Renew', past: 'renewed' },
  watch: { now: 'Watch', past: 'watched' },
  scrap: { now: 'Scrap', past: 'scrapped' },
};
export const findingWords = (finding: Finding): { readonly now: string; readonly past: string } => WORDS[finding];

/** A finding by shape and word: a level bar stays, a notched one is dressed, a ring of dashes comes new, an eye is watched, a cross goes. */
export function FindingMark({ finding }: { readonly finding: Finding }): React.JSX.Element {
  return (
    <span className={`finding ${finding}`}>
      <svg width="22" height="18" viewBox="0 0 22 18" aria-hidden="true">
        {finding === 'reuse' && <rect y="6" width="22" height="6" fill="currentColor" />}
        {finding === 'dress' && <path d="M0 6h8l3 3.5 3-3.5h8v6H0z" fill="currentColor" />}
        {finding === 'renew' && (
          <circle cx="11" cy="9" r="7" fill="none" stroke="currentColor" strokeWidth="3.4" strokeDasharray="5.4 2" />
        )}
        {finding === 'watch' && (
          <path d="M1 9q10-11 20 0q-10 11-20 0zM11 6.2a2.8 2.8 0 1 0 .01 0z" fill="currentColor" fillRule="evenodd" />
        )}
        {finding === 'scrap' && <path d="M3 2l16 14M19 2L3 16" stroke="currentColor" strokeWidth="3.4" />}
      </svg>
      {WORDS[finding].now}
    </span>
  );
}
