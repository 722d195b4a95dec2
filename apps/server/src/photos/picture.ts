import { BadRequestException } from '@nestjs/common';
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { wrongField } from '../problems/wrong-field.ts';

const FORMATS: ReadonlySet<string> = new Set(['jpeg', 'png', 'webp']);
/** Longest side that is kept, px: enough to read a casting number. */
const LONGEST = 2000;
/** A picture that unpacks to more than this is no photograph but an attack. */
const MOST_PIXELS = 60_000_000;

export interface Picture {
  readonly bytes: Buffer;
  readonly sha256: string;
  readonly width: number;
  readonly height: number;
}

/** A name of a file as it came: one with a folder in it is refused, whatever it would be used for. */
export function refuseFolder(name: string, field: string): void {
  if (/[/\\\0]|^\.\.?$/.test(name))
    throw new BadRequestException({
      message: `${field}: "${name}" has a folder in its name`,
      errors: { [field]: ['A plain file name, with no folder in it'] },
    });
}

/**
 * Decodes what came, turns it upright, brings it to size and writes it anew as JPEG: what is kept holds pixels and
 * nothing else, no EXIF, no place, no camera. @throws BadRequestException for anything that is not a picture
 */
export async function picture(given: Buffer, field: string): Promise<Picture> {
  const no = (why: string): BadRequestException => new BadRequestException(wrongField(field, why));
  if (isPdf(given)) throw no('a PDF is not a picture; JPEG, PNG or WebP');
  const format = await formatOf(given);
  if (format === undefined || !FORMATS.has(format))
    throw no(`${format === undefined ? 'this' : `a file of kind ${format}`} is not a picture; JPEG, PNG or WebP`);
  try {
    const { data, info } = await sharp(given, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
    return {
      bytes: data,
      sha256: createHash('sha256').update(data).digest('hex'),
      width: info.width,
      height: info.height,
    };
  } catch (e) {
    throw no(`the picture cannot be read (${e instanceof Error ? e.message.split('\n')[0]! : 'broken'})`);
  }
}

/** A document as it is kept: a PDF as it came, a picture written anew. @throws BadRequestException for what is neither */
export async function pdfOrPicture(
  given: Buffer,
  field: string,
): Promise<Pick<Picture, 'bytes' | 'sha256'> & { readonly mime: 'application/pdf' | 'image/jpeg' }> {
  if (!isPdf(given)) return { ...(await picture(given, field)), mime: 'image/jpeg' };
  return { bytes: given, sha256: createHash('sha256').update(given).digest('hex'), mime: 'application/pdf' };
}

/** By what stands in it, not by its name. */
export function isPdf(given: Buffer): boolean {
  return given.subarray(0, 5).toString('latin1') === '%PDF-';
}

/** The kind of picture by what stands in it; undefined when it is none. */
async function formatOf(given: Buffer): Promise<string | undefined> {
  try {
    return (await sharp(given, { limitInputPixels: MOST_PIXELS }).metadata()).format;
  } catch {
    // What the decoder cannot open is no picture: the caller says so.
    return undefined;
  }
}
