import { PHOTOGRAPH_DOTS } from '@odd-corner/contract';
import sharp from 'sharp';
import { ProblemError } from '../http/problem-error';

/** A photograph as it is kept: upright, no larger than is looked at, and without where and by what it was taken. */
export interface Developed {
  readonly picture: Buffer;
  readonly width: number;
  readonly height: number;
}

/** A picture of more dots than any camera's is a trap. */
const MOST_DOTS = 120_000_000;
const QUALITY = 78;

/**
 * Makes a photograph anew, as WebP: what a camera writes beside the picture, its place among it, is not taken along.
 * @throws ProblemError 422 for what is no picture
 */
export async function develop(sent: ArrayBuffer): Promise<Developed> {
  try {
    const { data, info } = await sharp(new Uint8Array(sent), { limitInputPixels: MOST_DOTS, failOn: 'error' })
      .rotate()
      .resize({ width: PHOTOGRAPH_DOTS, height: PHOTOGRAPH_DOTS, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    return { picture: data, width: info.width, height: info.height };
  } catch {
    throw new ProblemError(422, 'That is no photograph that can be read here. Send a JPEG, PNG or WebP.');
  }
}
