/** Notes and pictures. */
export interface NotePayloads {
  noted: { readonly step: string | null; readonly text: string; readonly about: 'note' | 'not-as-sheet' | 'broken' };
  'photo-added': {
    readonly photo: string;
    readonly step: string | null;
    readonly caption: string;
    readonly sha256: string;
    readonly width: number;
    readonly height: number;
  };
}
