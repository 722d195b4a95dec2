/** Longest side that is sent, px. */
const LONGEST = 1600;

/** The size that fits a picture into `longest`, never larger than it is. */
export function fitted(width: number, height: number, longest = LONGEST): { width: number; height: number } {
  const scale = Math.min(1, longest / Math.max(width, height, 1));
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}

/**
 * A picture drawn anew at most {@link LONGEST} px long, as JPEG: what the camera wrote beside the pixels (place, time,
 * owner) is not in it. @throws Error when the browser cannot read it as a picture
 */
export async function smaller(file: Blob): Promise<Blob> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    throw new Error('This file is not a picture that can be read');
  }
  const { width, height } = fitted(bitmap.width, bitmap.height);
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.82));
  if (!blob) throw new Error('The picture could not be made smaller');
  return blob;
}
