import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { toFold } from '@odd-corner/contract';
import { BEAD_MATERIALS, type BeadMaterialId, leanAt, type RollEnd } from '@odd-corner/core';
import { of, scan, startWith } from 'rxjs';
import * as z from 'zod';
import { JobInHand } from '../../job/job-in-hand';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { controlOf } from '../../ui/forms/schema-form';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { Select } from '../../ui/select/select';
import { Troubles } from '../../ui/troubles/troubles';
import { TRACKS } from '../../workers/trial-counts';
import type { RollTask, RollTry } from '../../workers/trial-tasks';
import { Trying } from '../../workers/trials.service';
import { NoteTrial, type TrialAsked } from '../note-trial/note-trial';

const diameter = z.number('Write a size, for example 8 mm.').min(2, 'At least 2 mm.').max(40, 'At most 40 mm.');
const more = z
  .number('Write degrees, for example 1.')
  .min(-10, 'From -10 to 20 degrees.')
  .max(20, 'From -10 to 20 degrees.');
const lift = z
  .number('Write degrees, for example 30.')
  .min(0, 'From 0 to 45 degrees.')
  .max(45, 'From 0 to 45 degrees.');
const beads = z.int('Count from 1 to 6.').min(1, 'Count from 1 to 6.').max(6, 'Count from 1 to 6.');
const every = z.number('Write seconds, for example 0.8.').min(0.2, 'At least 0.2 s.').max(10, 'At most 10 s.');

/** A bead down a track: whether it gets through, where it stalls or jumps, and what would help. */
@Component({
  selector: 'oc-roll-trial',
  imports: [
    Field,
    FigurePipe,
    MatButtonModule,
    MatProgressBarModule,
    NoteTrial,
    PaperModel,
    ReactiveFormsModule,
    Select,
  ],
  templateUrl: './roll-trial.html',
  styleUrl: '../trial.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RollTrial {
  protected readonly inHand = inject(JobInHand);
  private readonly trying = inject(Trying);
  private readonly troubles = inject(Troubles);
  private readonly codecs = inject(Codecs);
  protected readonly figures = inject(Figures);
  protected readonly tracks = TRACKS;
  protected readonly materials = Object.entries(BEAD_MATERIALS).map(([id, { name }]) => ({ id, name }));
  protected readonly material = signal<BeadMaterialId>('wood');
  protected readonly form = new FormGroup({
    diameter: controlOf(diameter, this.askedBead()),
    more: controlOf(more, 0),
    lift: controlOf(lift.nullable(), null),
    beads: controlOf(beads, 1),
    every: controlOf(every, 1),
  });
  private readonly values = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  protected readonly length = computed(() => this.codecs.length());
  protected readonly number = computed(() => this.codecs.number('Write a number, for example 1.'));
  /** What would be rolled, once all of it can be. */
  protected readonly task = computed((): RollTask | null => {
    const values = this.values();
    if (!this.form.valid || !values.diameter || !values.beads) return null;
    return {
      make: toFold(this.inHand.make().make),
      ...{ diameterMm: values.diameter, material: this.material(), moreDeg: values.more ?? 0 },
      ...{ liftDeg: values.lift ?? null, beads: values.beads, everyS: values.every ?? 1 },
    };
  });
  private readonly same = computed(() => JSON.stringify(this.task()));
  protected readonly asked = linkedSignal<string, RollTask | null>({ source: this.same, computation: () => null });
  protected readonly tries = linkedSignal<string, RollTask | null>({ source: this.same, computation: () => null });
  protected readonly folded = linkedSignal<string, RollTask | null>({ source: this.same, computation: () => null });
  private readonly state = toSignal(
    toObservable(this.asked).pipe(this.troubles.asking((asked) => (asked ? this.trying.roll(asked) : of(null)))),
    { initialValue: null },
  );
  protected readonly found = computed(() => {
    const state = this.state();
    return this.asked() && state?.ok ? state.value : null;
  });
  protected readonly why = computed(() => {
    const state = this.state();
    return this.asked() && state && !state.ok ? state.why : null;
  });
  protected readonly running = computed(() => this.asked() !== null && !this.why() && !this.found()?.ends);
  protected readonly others = toSignal(
    toObservable(this.tries).pipe(
      this.troubles.asking((asked) =>
        asked
          ? this.trying.rollTries(asked).pipe(
              scan((all: readonly RollTry[], one) => [...all, one], []),
              startWith([] as readonly RollTry[]),
            )
          : of([] as readonly RollTry[]),
      ),
    ),
    { initialValue: [] as readonly RollTry[] },
  );
  /** By how much the hand misses that folds it: as the logbook knows it where it does. */
  protected readonly handMm = computed(() => {
    const { learned, handMm } = this.inHand.options();
    return learned ? leanAt(learned, this.inHand.make().make.formId).missMm : handMm;
  });
  protected readonly chance = toSignal(
    toObservable(this.folded).pipe(
      this.troubles.asking((asked) => (asked ? this.trying.rollChance(asked, this.handMm()) : of(null))),
    ),
    { initialValue: null },
  );
  protected readonly bodies = computed(() => {
    const [found, asked] = [this.found(), this.asked()];
    if (!found || !asked) return null;
    const { diameterMm: d } = asked;
    return { shape: 'ball' as const, sides: [d, d, d] as const, at: found.beads };
  });
  protected readonly ends = computed(() => this.found()?.ends?.map((end) => this.words(end)) ?? []);
  protected readonly tried = computed(() => this.others().map(({ what, end }) => ({ what, end: this.words(end) })));
  protected readonly told = computed(() => {
    const ends = this.found()?.ends;
    if (!ends?.length) return null;
    const seconds = ends[0].how === 'through' ? Math.round(10 * ends[0].seconds) / 10 : null;
    return seconds === null ? null : { least: seconds, likely: seconds, most: seconds };
  });
  protected readonly trial = computed((): TrialAsked => {
    const task = this.task();
    const name = BEAD_MATERIALS[this.material()].name.toLowerCase();
    return {
      ...{ kind: 'roll', unit: 's', question: 'How many seconds until it is down?' },
      what: `A bead of ${name}, ${task ? this.figures.exact([task.diameterMm]) : ''}`,
      asked: task ? { ...task, make: null } : {},
    };
  });

  private askedBead(): number {
    const purpose = this.inHand.purpose();
    return purpose?.kind === 'bead' ? purpose.diameterMm : 8;
  }

  /** What became of a bead, in words. */
  private words({ how, segment, seconds, caught }: RollEnd): string {
    const s = this.figures.fixed(seconds, 1);
    if (how === 'stalls') return `stalls in segment ${segment + 1}`;
    if (how === 'jumps') return `jumps out at segment ${segment + 1}, after ${s} s`;
    return `gets through in ${s} s${caught === null ? '' : caught ? ', and stays in the tray' : ', and misses the tray'}`;
  }
}
