import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { Select } from '../../ui/select/select';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { type Block, block, type TrayJob, trayDraft, type Paper } from '@odd-corner/contract';
import { type EaseId, EASES } from '@odd-corner/core';
import { debounceTime, map, type Observable, of } from 'rxjs';
import { failureText } from '../../data/api';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { LengthPipe } from '../../ui/figures/figure-pipes';
import { controlOf, mayBeSent } from '../../ui/forms/schema-form';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { type Deciding, decidingOf, type Outcome, workOut } from '../job-change';
import { refused } from '../../workers/refused';

/** What a change leads to, or why it cannot be made. */
interface Worked {
  readonly outcome: Outcome | null;
  readonly why: string | null;
}

/** What goes in, to be changed: it says what will change later before anything is kept. */
@Component({
  selector: 'oc-purpose-station',
  imports: [Field, LengthPipe, MatButtonModule, ReactiveFormsModule, Select],
  templateUrl: './purpose-station.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PurposeStation {
  readonly job = input.required<TrayJob>();
  readonly paper = input.required<Paper | null>();
  readonly saving = input(false);
  readonly keep = output<Outcome>();
  readonly remove = output();
  private readonly codecs = inject(Codecs);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);

  protected readonly eases = (Object.keys(EASES) as EaseId[]).map((id) => ({ id, name: id }));
  protected readonly form = new FormGroup({
    title: controlOf(trayDraft.shape.title, ''),
    block: controlOf<Block>(block, null),
    ease: new FormControl<EaseId>('easy', { nonNullable: true }),
  });
  protected readonly sizes = computed(() => this.codecs.block());
  private readonly written = toSignal(
    this.form.events.pipe(map(() => ({ ...this.form.getRawValue(), valid: this.form.valid }))),
  );

  /** What would be decided; null while something cannot be read or nothing is changed. */
  private readonly deciding = computed((): Deciding | null => {
    const [written, job] = [this.written(), this.job()];
    if (!written?.valid || !written.block) return null;
    const { block: sizes, ease } = written;
    const title = written.title?.trim() ?? '';
    const same = alike(sizes, job.purpose.block);
    if (same && ease === job.purpose.ease && title === job.title) return null;
    return {
      ...decidingOf(job, this.paper()),
      ...{ title, ease, block: sizes },
      text: same ? job.purpose.text : this.sizes().write(sizes),
    };
  });
  protected readonly outcome = toSignal(
    toObservable(this.deciding).pipe(
      debounceTime(150),
      this.troubles.asking((deciding): Observable<Worked> =>
        deciding
          ? workOut(this.job(), deciding, this.folding).pipe(
              map((outcome) => ({ outcome, why: null })),
              refused((error) => ({ outcome: null, why: failureText(error) })),
            )
          : of({ outcome: null, why: null }),
      ),
    ),
    { initialValue: { outcome: null, why: null } },
  );

  constructor() {
    effect(() => {
      const { title, purpose } = this.job();
      untracked(() => this.form.reset({ title, block: purpose.block, ease: purpose.ease }));
    });
  }

  protected submit(): void {
    const { outcome } = this.outcome();
    if (mayBeSent(this.form) && outcome) this.keep.emit(outcome);
  }
}

const alike = (a: Block, b: Block): boolean =>
  a.lengthMm === b.lengthMm && a.widthMm === b.widthMm && a.heightMm === b.heightMm;
