import { Injectable, signal } from '@angular/core';

/** A CSS pixel is meant to be this large, in mm; screens keep to it more or less. */
const MEANT_PX_PER_MM = 96 / 25.4;

/** Where what was measured on this device is kept: by its zoom, which changes how large a pixel is. */
const keyOf = (ratio: number): string => `true-size-at-${ratio.toFixed(3)}`;

/** Screens beyond these are measured wrong. */
const [LEAST, MOST] = [1, 20];

/** How large things are on this screen: measured once with a card held to it, kept on the device. */
@Injectable({ providedIn: 'root' })
export class TrueSize {
  private readonly held = signal(this.read());
  /** CSS pixels to a millimetre. */
  readonly pxPerMm = (): number => this.held() ?? MEANT_PX_PER_MM;
  /** Whether anybody has measured it at this zoom. */
  readonly measured = (): boolean => this.held() !== null;

  /** Keeps what was measured. */
  keep(pxPerMm: number): void {
    this.held.set(pxPerMm);
    try {
      localStorage.setItem(keyOf(devicePixelRatio), `${pxPerMm}`);
    } catch {
      // Where nothing may be kept, it holds until the page is left.
    }
  }

  private read(): number | null {
    try {
      const kept = Number(localStorage.getItem(keyOf(devicePixelRatio)) ?? NaN);
      return kept > LEAST && kept < MOST ? kept : null;
    } catch {
      return null;
    }
  }
}
