/** What says how something looks. */
export type LookCommand = {
  readonly type: 'look';
  readonly op: string;
  readonly choice: string;
  readonly note?: string;
};
