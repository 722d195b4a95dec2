import type { OrderedLine } from './events.ts';

/** What orders parts and takes them in. */
export type PartsCommand =
  /** Ids of lines are made of the command's, so that asking again orders nothing twice. */
  | { readonly type: 'order-parts'; readonly lines: readonly Omit<OrderedLine, 'line'>[] }
  | { readonly type: 'arrive-part'; readonly line: string; readonly missing: readonly string[] }
  | { readonly type: 'send-part-back'; readonly line: string; readonly why: string }
  | { readonly type: 'cancel-line'; readonly line: string; readonly why: string };
