import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormRecord, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { toFold } from '@odd-corner/contract';
import {
  COMFORTABLE,
  FRICTION,
  type PouredRange,
  type PouredThing,
  POURED_THINGS,
  sidesOf,
  SIZES_OF,
  thingVolumeMm3,
} from '@odd-corner/core';
import { of } from 'rxjs';
import * as z from 'zod';
import { JobInHand } from '../../job/job-in-hand';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { obeys } from '../../ui/forms/schema-form';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { Select } from '../../ui/select/select';
import { Troubles } from '../../ui/troubles/troubles';
import { POURS } from '../../workers/trial-counts';
import type { PourTask } from '../../workers/trial-tasks';
import { Trying } from '../../workers/trials.service';
import { NoteTrial, type TrialAsked } from '../note-trial/note-trial';

const side = z
  .number('Write a size, for example 12.')
  .min(2, 'Smaller than 2 mm it runs like a liquid: pour the millilitres below.')
  .max(120, 'Larger than 120 mm nobody pours it.');

const SHAPES = [
  { id: 'ball', name: 'a ball' },
  { id: 'block', name: 'a block' },
  { id: 'disc', name: 'a disc' },
  { id: 'seed', name: 'long and round' },
] as const;

/** What the sizes of each shape are called. */
const SIZE_NAMES: Readonly<Record<PouredThing['shape'], readonly string[]>> = {
  ball: ['Across'],
  block: ['Long', 'Wide', 'High'],
  disc: ['Across', 'Thick'],
  seed: ['Long', 'Thick'],
};

const SIZES = ['0', '1', '2'] as const;

const BEADS = POURED_THINGS.find(({ name }) => name === 'Wooden beads')!;
/** Of a room's depth: what is taller stands over its rim. */
const LOW_SHARE = 0.7;

/** How many of a thing go in, by dropping them into the opened piece. */
@Component({
  selector: 'oc-pour-trial',
  imports: [
    Field,
    FigurePipe,
    MatButtonModule,
    MatCheckboxModule,
    MatProgressBarModule,
    NoteTrial,
    PaperModel,
    ReactiveFormsModule,
    Select,
  ],
  templateUrl: './pour-trial.html',
  styleUrl: '../trial.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PourTrial {
  protected readonly inHand = inject(JobInHand);
  private readonly trying = inject(Trying);
  private readonly troubles = inject(Troubles);
  private readonly codecs = inject(Codecs);
  protected readonly figures = inject(Figures);
  protected readonly things = [
    ...POURED_THINGS.map(({ name }) => ({ id: name, name })),
    { id: 'own', name: 'something else' },
  ];
  protected readonly shapes = SHAPES;
  protected readonly friction = FRICTION;
  protected readonly pours = POURS;
  /** What was picked; `own` as soon as a size is typed. */
  protected readonly picked = signal(this.firstThing().name);
  protected readonly shape = signal<PouredThing['shape']>(this.firstThing().shape);
  protected readonly shaken = signal(false);
  protected readonly sizes = new FormRecord<FormControl<number | null>>(
    Object.fromEntries(
      SIZES.map((key, k) => [
        key,
        new FormControl<number | null>(this.firstThing().mm[k] ?? null, { validators: obeys(side.nullable()) }),
      ]),
    ),
  );
  private readonly values = toSignal(this.sizes.valueChanges, { initialValue: this.sizes.value });
  protected readonly length = computed(() => this.codecs.length());
  protected readonly named = computed(() => SIZE_NAMES[this.shape()].map((label, k) => ({ label, key: SIZES[k] })));
  /** What is poured, once all its sizes are there. */
  protected readonly thing = computed((): PouredThing | null => {
    const values = this.values();
    const shape = this.shape();
    const mm = SIZES.slice(0, SIZES_OF[shape]).map((key) => values[key] ?? null);
    if (mm.some((one) => one === null || !side.safeParse(one).success)) return null;
    const sorted = (mm as number[]).slice();
    // A seed is as long as it is thick at least; of a block the order says nothing.
    if (shape === 'seed' || shape === 'block') sorted.sort((a, b) => b - a);
    const name = POURED_THINGS.find((one) => one.name === this.picked())?.name ?? 'Things';
    return { name, shape, mm: sorted };
  });
  /** The trial that was asked for; null while nothing is. */
  protected readonly asked = linkedSignal<string, PourTask | null>({
    source: () => `${this.inHand.make().id} ${JSON.stringify([this.thing(), this.shaken()])}`,
    computation: () => null,
  });
  protected readonly state = toSignal(
    toObservable(this.asked).pipe(this.troubles.asking((asked) => (asked ? this.trying.pour(asked) : of(null)))),
    { initialValue: null },
  );
  protected readonly found = computed(() => {
    const state = this.state();
    return this.asked() && state?.ok ? state.value : null;
  });
  protected readonly why = computed(() => {
    const state = this.state();
    return state && !state.ok ? state.why : null;
  });
  protected readonly running = computed(() => {
    const found = this.found();
    return this.asked() !== null && !this.why() && (found === null || found.share < 1);
  });
  /** What is told: by pouring, or by the room alone where there are too many. */
  protected readonly filled = computed(() => {
    const found = this.found();
    return found && (found.filled ?? found.estimate);
  });
  protected readonly marks = computed(() => {
    const filled = this.filled();
    if (!filled) return [];
    return [
      { name: 'Comfortable', why: `up to ${Math.round(100 * COMFORTABLE)} % of its height`, range: filled.comfortable },
      { name: 'Level', why: 'up to its rim', range: filled.level },
      { name: 'Heaped', why: 'as many as stay', range: filled.heaped },
    ];
  });
  protected readonly bodies = computed(() => {
    const [found, asked] = [this.found(), this.asked()];
    return found && asked ? { shape: asked.thing.shape, sides: sidesOf(asked.thing), at: found.bodies } : null;
  });
  protected readonly told = computed((): PouredRange | null => {
    const found = this.found();
    return found && found.share >= 1 ? this.filled()!.level : null;
  });
  protected readonly trial = computed((): TrialAsked => {
    const thing = this.thing();
    const sizes = thing ? this.figures.exact(thing.mm) : '';
    return {
      ...{ kind: 'pour', unit: 'pieces', question: 'How many go in, level with the rim?' },
      what: `${thing?.name ?? 'Things'} of ${sizes || 'some size'}${this.shaken() ? ', shaken' : ''}`,
      asked: { shape: this.shape(), mm: thing?.mm.join(' ') ?? '', shaken: this.shaken() },
    };
  });
  /** Small things and many: what the choking of children asks for. */
  protected readonly small = computed(() => {
    const thing = this.thing();
    return thing !== null && thingVolumeMm3(thing) < 16_000;
  });

  /** Something that lies well in it: the first that is not taller than most of its depth. */
  private firstThing(): PouredThing {
    const { told } = this.inHand.make();
    const deep = Object.entries(told?.sizes ?? {}).find(([key]) => key.endsWith('.depthMm'))?.[1].mm ?? Infinity;
    return POURED_THINGS.find((thing) => sidesOf(thing)[0] <= LOW_SHARE * deep) ?? BEADS;
  }

  protected pick(name: string): void {
    this.picked.set(name);
    const thing = POURED_THINGS.find((one) => one.name === name);
    if (!thing) return;
    this.shape.set(thing.shape);
    this.sizes.setValue(Object.fromEntries(SIZES.map((key, k) => [key, thing.mm[k] ?? null])));
  }

  protected reshape(shape: string): void {
    this.shape.set(shape as PouredThing['shape']);
    this.picked.set('own');
    const known = this.sizes.controls['0'].value ?? 10;
    for (const key of SIZES.slice(0, SIZES_OF[this.shape()]))
      if (this.sizes.controls[key].value === null) this.sizes.controls[key].setValue(known);
  }

  protected pour(): void {
    const thing = this.thing();
    if (thing) this.asked.set({ make: toFold(this.inHand.make().make), thing, shaken: this.shaken() });
  }
}
