/** What a part that goes in leaves in the log. */
export interface FitPayloads {
  'part-fitted': {
    readonly op: string;
    readonly part: string;
    readonly count: number;
    readonly renewed: boolean;
    readonly how: 'place' | 'press' | 'seal' | 'reconnect';
    /** What told that it is home. */
    readonly told?: string;
    /** Why it went in although its force was not what its fit asks for. */
    readonly reason?: string;
  };
}
