import sharp, { type OutputInfo } from 'sharp';
import { UseCaseError } from './use-case-error';

/** Longest side a picture is kept with, pixels, and how many pixels one may come with. */
export const LONGEST_PHOTO = 1600;
const MOST_PIXELS = 80_000_000;
/** Seconds a picture may take to be read. */
const DECODING = 10;

/**
 * A photo as it is kept: turned upright, scaled down, encoded anew and so without what a camera writes beside it, such as
 * the place.
 *
 * @throws UseCaseError for what is no photo or damaged, as `too-large` where it is that
 */
export async function encodePhoto(bytes: Uint8Array): Promise<{ data: Buffer; info: OutputInfo }> {
  if (!isPhotograph(bytes))
    throw new UseCaseError(
      'invalid',
      'Only photographs are kept: JPEG, PNG, WebP, HEIC or AVIF. A drawing such as SVG is none.',
    );
  try {
    return await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .timeout({ seconds: DECODING })
      .rotate()
      .resize({ width: LONGEST_PHOTO, height: LONGEST_PHOTO, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
  } catch (error) {
    const large = error instanceof Error && /pixel limit/i.test(error.message);
    const slow = error instanceof Error && /timeout/i.test(error.message);
    if (slow)
      throw new UseCaseError('too-large', 'This picture takes too long to read. Take it smaller, or choose another.');
    throw new UseCaseError(
      large ? 'too-large' : 'invalid',
      large
        ? 'The picture has more than 80 million pixels. Take it smaller and choose it again.'
        : 'This file is no picture that can be read, or it is damaged. Choose a JPEG, PNG or WebP picture.',
    );
  }
}

/** By its first bytes, whatever its name says: formats that programs draw, such as SVG, can ask for anything. */
function isPhotograph(bytes: Uint8Array): boolean {
  const ascii = (from: number, to: number): string => String.fromCharCode(...bytes.subarray(from, to));
  return (
    (bytes[0] === 0xff && bytes[1] === 0xd8) ||
    ascii(1, 4) === 'PNG' ||
    (ascii(0, 4) === 'RIFF' && ascii(8, 12) === 'WEBP') ||
    (ascii(4, 8) === 'ftyp' && /^(hei|mif|avi|msf)/.test(ascii(8, 12)))
  );
}
