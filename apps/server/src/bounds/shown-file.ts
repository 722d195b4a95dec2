import { StreamableFile } from '@nestjs/common';

/** A kept file as a browser shows it, under its own name whatever letters that has (RFC 5987). */
export const shownFile = ({
  bytes,
  mime,
  name,
}: {
  readonly bytes: Uint8Array;
  readonly mime: string;
  readonly name: string;
}): StreamableFile =>
  new StreamableFile(bytes, { type: mime, disposition: `inline; filename*=UTF-8''${encodeURIComponent(name)}` });
