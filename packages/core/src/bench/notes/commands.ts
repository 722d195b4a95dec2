/** What adds a note or a picture. */
export type NoteCommand =
  | { readonly type: 'note'; readonly text: string }
  /** Given by the server once the picture is kept. */
  | {
      readonly type: 'add-photo';
      readonly photo: string;
      readonly step?: string;
      readonly caption: string;
      readonly sha256: string;
      readonly width: number;
      readonly height: number;
    };
