/** How devices reach the workshop. */
export interface NetworkView {
  /** Whether other machines than the server's own reach it at all. */
  readonly open: boolean;
  /** Whether the line is closed to listeners. */
  readonly https: boolean;
  readonly ways: readonly {
    readonly address: string;
    /** A plain page that says how a device takes the shop's certificate in. */
    readonly guide?: string;
    /** A code that opens the guide, or the address where there is none: SVG. */
    readonly code: string;
  }[];
  /** The shop's own authority: its SHA-256 fingerprint as devices show it, and until when it holds. */
  readonly authority?: { readonly sha256: string; readonly until: string };
}
