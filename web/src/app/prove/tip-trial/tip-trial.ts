import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { toFold } from '@odd-corner/contract';
import { boxOf, COMMON_PAPER, type Point, UNSAID_DENSITY, volumeOf } from '@odd-corner/core';
import { map, of } from 'rxjs';
import * as z from 'zod';
import { JobInHand } from '../../job/job-in-hand';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { controlOf } from '../../ui/forms/schema-form';
import { Troubles } from '../../ui/troubles/troubles';
import type { TipTask } from '../../workers/tip-task';
import { Trying } from '../../workers/trials.service';
import { NoteTrial, type TrialAsked } from '../note-trial/note-trial';

const long = z.number('Write a length, for example 140 mm.').min(10, 'At least 10 mm.').max(600, 'At most 600 mm.');
const across = z.number('Write a thickness, for example 8 mm.').min(1, 'At least 1 mm.').max(60, 'At most 60 mm.');
const grams = z
  .number('Write a weight in grams, for example 7.')
  .min(0.1, 'At least 0.1 g.')
  .max(2000, 'At most 2 kg.');
const count = z.int('Count from 1 to 200.').min(1, 'Count from 1 to 200.').max(200, 'Count from 1 to 200.');

/** Where nobody says what stands in it. */
const PENCIL = { longMm: 140, acrossMm: 8, count: 6 } as const;
/** What is not so much longer than it is thick does not lean. */
const LONG = 3;

const shape = (points: readonly Point[]): string => points.map(({ x, y }) => `${x},${-y}`).join(' ');

/** Long things in a piece, all on one side: from how many on it tips, and which weight or glue would help. */
@Component({
  selector: 'oc-tip-trial',
  imports: [Field, FigurePipe, MatButtonModule, NoteTrial, ReactiveFormsModule],
  templateUrl: './tip-trial.html',
  styleUrl: '../trial.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TipTrial {
  private readonly inHand = inject(JobInHand);
  private readonly trying = inject(Trying);
  private readonly troubles = inject(Troubles);
  private readonly codecs = inject(Codecs);
  protected readonly figures = inject(Figures);
  protected readonly form = new FormGroup(this.controls());
  private readonly values = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  protected readonly length = computed(() => this.codecs.length());
  protected readonly number = computed(() => this.codecs.number('Write a number, for example 7.'));
  /** What would be tried, once all of it can be. */
  protected readonly task = computed((): TipTask | null => {
    const { long: longMm, across: acrossMm, grams: each, count: many } = this.values();
    if (!this.form.valid || !longMm || !acrossMm || !each || !many) return null;
    const { make } = this.inHand.make();
    const gsmOf = (id: string | null): number => (this.inHand.paperOf(id) ?? COMMON_PAPER).gsm ?? COMMON_PAPER.gsm;
    return {
      make: toFold(make),
      gsm: Object.fromEntries(make.entries.map(({ key, papers: [paper] }) => [key, gsmOf(paper)])),
      ...{ thing: { longMm, acrossMm, grams: each }, count: many },
    };
  });
  /** Guessing comes first; once it was asked for, whatever is changed is told at once. */
  protected readonly asking = signal(false);
  private readonly state = toSignal(
    toObservable(computed(() => (this.asking() ? this.task() : null))).pipe(
      // What is told stands beside what it was asked with: the fields may have changed since.
      this.troubles.asking((asked) =>
        asked ? this.trying.tip(asked).pipe(map((found) => ({ ...found, asked }))) : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly found = computed(() => {
    const state = this.state();
    return this.task() && state?.ok ? { ...state.value, asked: state.asked } : null;
  });
  protected readonly why = computed(() => {
    const state = this.state();
    return state && !state.ok ? state.why : null;
  });
  protected readonly running = computed(() => this.asking() && this.task() !== null && !this.found() && !this.why());
  protected readonly facts = computed(() => {
    const found = this.found();
    if (!found) return [];
    const { tipsFrom, room, share, weightG, grams: own, unglued, asked } = found;
    const from = (many: number | null): string =>
      many === null ? 'not by as many as there is room for' : `from ${this.figures.count(many)} on`;
    const [gsm, ...others] = new Set(Object.values(asked.gsm));
    return [
      { name: 'It tips', value: room ? from(tipsFrom) : 'not by what leans in it' },
      ...(room ? [{ name: 'Room for', value: this.figures.count(room) }] : []),
      ...(room
        ? [
            {
              name: `With ${this.figures.count(Math.min(asked.count, room))}, all that way`,
              value: share >= 1 ? 'it tips' : `it stands: ${Math.round(100 * share)} % of what tips it`,
            },
          ]
        : []),
      ...(weightG > 0
        ? [{ name: 'A weight in its middle holds it', value: `from ${this.figures.mass(weightG)} on` }]
        : []),
      ...(weightG > 0 && !others.length
        ? [{ name: 'So does heavier paper', value: `from ${this.figures.count(Math.ceil(share * gsm))} g/m² on` }]
        : []),
      ...(unglued ? [{ name: 'Not glued, its first part tips', value: from(unglued.tipsFrom) }] : []),
      { name: 'It weighs', value: this.figures.mass(own) },
      {
        name: 'Knocked while it is empty',
        value: `it comes back up to ${this.figures.fixed(found.comesBackDeg, 0)}°`,
      },
    ];
  });
  /** Seen from above: what it stands on, where things stand, how they lean, and the edge over which it would go. */
  protected readonly plan = computed(() => {
    const found = this.found();
    if (!found) return null;
    const all = [found.base, ...found.mouths].flat();
    const [left, right] = [Math.min(...all.map(({ x }) => x)), Math.max(...all.map(({ x }) => x))];
    const [low, high] = [Math.min(...all.map(({ y }) => y)), Math.max(...all.map(({ y }) => y))];
    const edge = 0.08 * Math.max(right - left, high - low);
    // Many lean alike: each is shown once.
    const lines = new Map(found.leaning.map(({ foot, over }) => [shape([foot, over]), { foot, over }]));
    return {
      base: shape(found.base),
      mouths: found.mouths.map(shape),
      box: `${left - edge} ${-high - edge} ${right - left + 2 * edge} ${high - low + 2 * edge}`,
      leaning: [...lines.values()],
      ...{ edge: found.edge, dot: 0.3 * edge },
    };
  });
  protected readonly told = computed(() => {
    const most = this.found()?.tipsFrom ?? null;
    return most === null ? null : { least: most, likely: most, most };
  });
  protected readonly trial = computed((): TrialAsked => {
    const task = this.task();
    const sizes = task ? this.figures.exact([task.thing.longMm, task.thing.acrossMm]) : '';
    return {
      ...{ kind: 'hold', unit: 'pieces', question: 'From how many on does it tip?' },
      what: task ? `Things of ${sizes}, ${this.figures.mass(task.thing.grams)} each` : 'Long things',
      asked: {
        how: 'tip',
        ...(task && { mm: `${task.thing.longMm} ${task.thing.acrossMm}`, grams: task.thing.grams }),
      },
    };
  });

  private controls() {
    const { longMm, acrossMm, count: many, each } = this.first();
    return {
      long: controlOf(long, longMm),
      across: controlOf(across, acrossMm),
      grams: controlOf(grams, Math.max(0.1, Math.round(10 * each) / 10)),
      count: controlOf(count, many),
    };
  }

  /** What it was made for stands in it where that is long, and pencils else. */
  private first() {
    const purpose = this.inHand.purpose();
    const pieces = purpose?.kind === 'hold' ? purpose.pieces : [];
    const all = pieces.reduce((sum, one) => sum + one.count, 0);
    const [longMm, acrossMm] = pieces.length ? [...boxOf(pieces[0].thing)].sort((p, q) => q - p) : [0, 0];
    if (longMm <= LONG * acrossMm)
      return { ...PENCIL, each: UNSAID_DENSITY * (Math.PI / 4) * PENCIL.acrossMm ** 2 * PENCIL.longMm };
    const room = pieces.reduce((sum, one) => sum + one.count * volumeOf(one.thing), 0);
    const whole = purpose?.kind === 'hold' && purpose.grams ? purpose.grams : UNSAID_DENSITY * room;
    return { longMm, acrossMm, count: all, each: whole / all };
  }
}
