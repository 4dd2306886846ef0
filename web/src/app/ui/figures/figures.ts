import { computed, inject, Injectable } from '@angular/core';
import {
  exactSizes,
  formatMoney,
  formatVolume,
  lengthFigure,
  type Money,
  NO_TERMS,
  type Purpose,
  type RulerId,
  sayPurpose,
  sayTerms,
  type Shown,
  type Terms,
  unitOnRuler,
  withMark,
  writePurpose,
  writeTerms,
  formatMass,
} from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

/** Quantities as this workshop writes them: the one place where the interface turns numbers into text. */
@Injectable({ providedIn: 'root' })
export class Figures {
  private readonly settings = inject(WorkshopSettings);
  /** Units and decimal mark of this workshop. */
  readonly shown = computed((): Shown => {
    const { unit, mass, volume, decimal } = this.settings.current();
    return { unit, mass, volume, decimal };
  });

  /** The unit of a length; one that is to be measured is in that of the ruler's marks. */
  unit(ruler?: RulerId | null): Shown['unit'] {
    const { unit } = this.shown();
    return ruler ? unitOnRuler(ruler, unit) : unit;
  }

  /** The figure of a length alone: `15,2`. */
  bare(mm: number, ruler?: RulerId | null): string {
    return this.mark(lengthFigure(mm, this.unit(ruler)));
  }

  /** `152 mm`, `15,2 cm`, `6 in`. */
  length(mm: number, ruler?: RulerId | null): string {
    return `${this.bare(mm, ruler)}\u00a0${this.unit(ruler)}`;
  }

  /** Sizes with the unit once at the end: `60 × 45 × 22 mm`. */
  sizes(sizesMm: readonly number[]): string {
    return `${sizesMm.map((mm) => this.bare(mm)).join(' × ')} ${this.unit()}`;
  }

  /** A weight. */
  mass(grams: number): string {
    return formatMass(grams, this.shown());
  }

  /** Sizes that read back as they are. */
  exact(sizesMm: readonly number[]): string {
    return exactSizes(sizesMm, this.unit(), this.shown().decimal);
  }

  /** What something is for, as it would be typed. */
  purpose(purpose: Purpose, terms: Terms = NO_TERMS): string {
    return [writePurpose(purpose, this.shown()), writeTerms(terms, this.shown())].filter(Boolean).join(', ');
  }

  /** What something is for, in words that tell a misreading. */
  said(purpose: Purpose, terms: Terms = NO_TERMS): string {
    return [sayPurpose(purpose, this.shown()), sayTerms(terms, this.shown())].filter(Boolean).join('; ');
  }

  volume(ml: number): string {
    return formatVolume(ml, this.shown());
  }

  money(money: Money): string {
    return formatMoney(money, this.shown().decimal);
  }

  /** A number with so many digits behind the mark. */
  fixed(value: number, digits = 0): string {
    return this.mark(value.toFixed(digits));
  }

  /** A whole number in groups of three, told apart by nothing that could be taken for the decimal mark. */
  count(value: number): string {
    return `${value}`.replace(/\B(?=(\d{3})+$)/g, this.shown().decimal === 'point' ? ',' : '\u202f');
  }

  /** A text from the core, its decimal points as they are written here. */
  mark(text: string): string {
    return withMark(text, this.shown().decimal);
  }
}
