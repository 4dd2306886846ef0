import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type MatChipListboxChange, MatChipsModule } from '@angular/material/chips';
import { type Choice, Select } from '../ui/select/select';
import { FORMS, type Holds, SHELF } from '@odd-corner/core';
import { FormCard } from './form-card/form-card';
import { ActivatedRoute, Router } from '@angular/router';

type Adhesive = 'any' | 'none';
type Shape = 'any' | 'square' | 'oblong';
type Skill = 1 | 2 | 3;

/** All kinds of things that some form holds; first what most forms do. */
const HOLDS: readonly Holds[] = kindsHeld();

function kindsHeld(): Holds[] {
  const forms = new Map<Holds, number>();
  for (const form of FORMS) for (const kind of SHELF.holdsOf(form)) forms.set(kind, (forms.get(kind) ?? 0) + 1);
  return [...forms].sort(([, a], [, b]) => b - a).map(([kind]) => kind);
}

/** The forms that can be folded, as folded pictures, narrowed down by what they do and ask. */
@Component({
  selector: 'oc-forms-page',
  imports: [FormCard, MatButtonModule, MatChipsModule, Select],
  templateUrl: './forms-page.html',
  styleUrl: './forms-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormsPage {
  private readonly route = inject(ActivatedRoute);
  private readonly router = inject(Router);
  protected readonly kinds = HOLDS;
  protected readonly anything = 'anything';
  protected readonly all = FORMS;
  protected readonly shapes: readonly Choice<Shape>[] = [
    { id: 'any', name: 'any' },
    { id: 'square', name: 'square' },
    { id: 'oblong', name: 'oblong' },
  ];
  protected readonly glues: readonly Choice<Adhesive>[] = [
    { id: 'any', name: 'any' },
    { id: 'none', name: 'none' },
  ];
  protected readonly skills: readonly Choice<Skill>[] = [
    { id: 3, name: 'any' },
    { id: 2, name: 'some practice' },
    { id: 1, name: 'first time' },
  ];
  private readonly asked = this.route.snapshot.queryParamMap;
  protected readonly holds = signal<Holds | null>(HOLDS.find((kind) => kind === this.asked.get('holds')) ?? null);
  protected readonly shape = signal<Shape>(
    this.asked.get('sheet') === 'oblong' ? 'oblong' : this.asked.get('sheet') === 'square' ? 'square' : 'any',
  );
  protected readonly adhesive = signal<Adhesive>(this.asked.get('glue') === 'none' ? 'none' : 'any');
  protected readonly skill = signal<Skill>(3);

  protected readonly shown = computed(() => {
    const [holds, shape, adhesive, skill] = [this.holds(), this.shape(), this.adhesive(), this.skill()];
    return this.all.filter(
      (form) =>
        (!holds || SHELF.holdsOf(form).includes(holds)) &&
        (shape === 'any' || (form.sheetShape === 'square') === (shape === 'square')) &&
        (adhesive === 'any' || form.adhesive(form.params.parse({})) !== 'needed') &&
        form.skill <= skill,
    );
  });

  protected choose(what: { holds?: Holds | null; shape?: Shape; adhesive?: Adhesive; skill?: Skill }): void {
    if (what.holds !== undefined) this.holds.set(what.holds);
    if (what.shape) this.shape.set(what.shape);
    if (what.adhesive) this.adhesive.set(what.adhesive);
    if (what.skill) this.skill.set(what.skill);
    void this.router.navigate([], {
      relativeTo: this.route,
      replaceUrl: true,
      queryParams: {
        holds: this.holds(),
        sheet: this.shape() === 'any' ? null : this.shape(),
        glue: this.adhesive() === 'any' ? null : 'none',
      },
    });
  }

  protected chooseKind({ value }: MatChipListboxChange): void {
    this.choose({ holds: this.kinds.find((kind) => kind === value) ?? null });
  }

  protected everything(): void {
    this.choose({ holds: null, shape: 'any', adhesive: 'any', skill: 3 });
  }
}
