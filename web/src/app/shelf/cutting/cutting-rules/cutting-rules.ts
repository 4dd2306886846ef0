import { type CdkDragDrop, DragDropModule, moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { type CuttingOptions, cuttingOptions, LOSS_OF } from '@odd-corner/contract';
import { type Aim, AIMS } from '@odd-corner/core';
import { Codecs } from '../../../ui/field/codecs';
import { Field } from '../../../ui/field/field';
import { controlOf } from '../../../ui/forms/schema-form';
import { Icon } from '../../../ui/icon/icon';
import { Select } from '../../../ui/select/select';

const AIM_NAMES: Readonly<Record<Aim, string>> = {
  paper: 'least paper',
  cost: 'least money',
  cuts: 'fewest cuts',
  whole: 'fewest whole sheets',
  offcuts: 'offcuts first',
};

const TOOLS = [
  { id: 'knife', name: 'a knife, loses nothing' },
  { id: 'scissors', name: 'scissors, lose half a millimetre' },
  { id: 'stated', name: 'something else' },
] as const;

/** How paper is cut and what a plan is to spare, what matters most first. */
@Component({
  selector: 'oc-cutting-rules',
  imports: [DragDropModule, Field, Icon, MatButtonModule, MatCheckboxModule, Select],
  templateUrl: './cutting-rules.html',
  styleUrl: './cutting-rules.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CuttingRules {
  readonly options = input.required<CuttingOptions>();
  readonly changed = output<CuttingOptions>();
  private readonly codecs = inject(Codecs);
  protected readonly tools = TOOLS;
  protected readonly loss: FormControl<number | null> = controlOf<number>(cuttingOptions.shape.lossMm, 0);
  protected readonly least: FormControl<number | null> = controlOf<number>(cuttingOptions.shape.leastOffcutMm, 30);
  protected readonly length = computed(() => this.codecs.length());
  protected readonly order = computed((): readonly Aim[] => {
    const { aims } = this.options();
    return [...aims, ...AIMS.filter((aim) => !aims.includes(aim))];
  });
  protected readonly names = AIM_NAMES;

  constructor() {
    effect(() => {
      const { lossMm, leastOffcutMm } = this.options();
      untracked(() => {
        if (this.loss.value !== lossMm && this.loss.valid) this.loss.setValue(lossMm);
        if (this.least.value !== leastOffcutMm && this.least.valid) this.least.setValue(leastOffcutMm);
      });
    });
    this.loss.valueChanges.pipe(takeUntilDestroyed()).subscribe((lossMm) => {
      if (lossMm !== null && this.loss.valid && lossMm !== this.options().lossMm) this.change({ lossMm });
    });
    this.least.valueChanges.pipe(takeUntilDestroyed()).subscribe((leastOffcutMm) => {
      if (leastOffcutMm !== null && this.least.valid && leastOffcutMm !== this.options().leastOffcutMm)
        this.change({ leastOffcutMm });
    });
  }

  protected change(change: Partial<CuttingOptions>): void {
    this.changed.emit({ ...this.options(), ...change });
  }

  protected take(tool: CuttingOptions['tool']): void {
    this.change({ tool, lossMm: LOSS_OF[tool] ?? this.options().lossMm });
  }

  protected sooner(k: number): void {
    this.move(k, k - 1);
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.move(previousIndex, currentIndex);
  }

  private move(from: number, to: number): void {
    const aims = [...this.order()];
    moveItemInArray(aims, from, to);
    this.change({ aims });
  }
}
