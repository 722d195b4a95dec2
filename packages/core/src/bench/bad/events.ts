/** What is left as it is although it is bad. */
export interface BadPayloads {
  /** Something was read outside or looked bad, and somebody takes it so by name, with a reason. */
  'accepted-so': {
    /** The operation that this settles, where it is still open. */
    readonly op: string | null;
    /** Which of the {@link BadThing}s. */
    readonly key: string;
    readonly title: string;
    /** What was read or seen, and what is accepted. */
    readonly says: string;
    readonly reason: string;
  };
}
export interface AcceptSo {
  readonly type: 'accept-so';
  readonly key: string;
  readonly reason: string;
}
