import { LENGTH_RANGE_MM } from '@odd-corner/core';
import * as z from 'zod';

/** A length in mm, within what a folded thing can be. @param missing what is said where there is none */
export const lengthSaying = (missing: string): z.ZodNumber =>
  z
    .number(missing)
    .min(LENGTH_RANGE_MM.min, `That is smaller than ${LENGTH_RANGE_MM.min} mm, too small to fold around.`)
    .max(LENGTH_RANGE_MM.max, `That is larger than the ${LENGTH_RANGE_MM.max / 1000} m that fits here.`);

export const lengthMm = lengthSaying('Write a size here, for example 60.');

/** The side of a sheet in mm. */
export const sheetMm = z.number().min(10).max(20_000);

export const id = z.uuid();

/** A moment as ISO 8601 in UTC. */
export const moment = z.iso.datetime();

export const name = z.string('Give it a name.').trim().min(1, 'Give it a name.').max(80, 'Use at most 80 characters.');

/** Every stored row counts its changes, so that a write based on an old reading is noticed. */
export const version = z.int().min(1);

/** More sheets of one paper are not counted. */
export const MOST_SHEETS = 100_000;
export const TOO_MANY_SHEETS = `Count at most ${MOST_SHEETS.toLocaleString('en')} sheets.`;
