import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { type FormControl } from '@angular/forms';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatExpansionModule } from '@angular/material/expansion';
import { RouterLink } from '@angular/router';
import { type EaseId, EASES, POCKET_EASE_MM, rounded } from '@odd-corner/core';
import * as z from 'zod';
import { Papers } from '../../data/papers';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { controlOf } from '../../ui/forms/schema-form';
import { Segments } from '../../ui/segments/segments';
import { Select } from '../../ui/select/select';
import { Asking } from '../asked/asking';
import { type ConfidenceId, CONFIDENCES } from '../asked/start-address';
import { COUNTS, LIDS } from '../asked/wishes-query';
import { ContentsEditor } from '../contents-editor/contents-editor';

/** How it is to hold what goes in: room, sureness, paper, how many pieces, closed or open. */
@Component({
  selector: 'oc-start-options',
  imports: [ContentsEditor, Field, FigurePipe, MatCheckboxModule, MatExpansionModule, RouterLink, Segments, Select],
  templateUrl: './start-options.html',
  styleUrl: './start-options.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartOptions {
  /** Whether a paper may be chosen here. */
  readonly choosesPaper = input(true);
  protected readonly asking = inject(Asking);
  private readonly papers = inject(Papers);
  private readonly codecs = inject(Codecs);
  protected readonly figures = inject(Figures);
  protected readonly confidences = CONFIDENCES;
  protected readonly lids = LIDS;
  protected readonly easeChoices = (Object.keys(EASES) as EaseId[]).map((id) => ({ id, label: id }));
  /** What the ease that is chosen leaves. */
  protected readonly easeOf = computed(() => ({
    ...EASES[this.asking.ease()],
    pocketMm: POCKET_EASE_MM[this.asking.ease()],
  }));
  /** What the sureness that is chosen means for this hand. */
  protected readonly meaning = computed(() => {
    const { confidence, handMm, learned } = this.asking.options();
    const misses = learned
      ? `By the logbook, ${learned.called} misses a mark by about ${rounded(learned.missMm, 2)} mm, from ${learned.pieces} ${learned.pieces === 1 ? 'piece' : 'pieces'}.`
      : `Your hand misses a mark by about ${handMm} mm.`;
    if (confidence === null) return `${misses} Here it is taken to miss nothing: the smallest sheet that can fit.`;
    return `${misses} The sheet is large enough that ${Math.round(100 * confidence)} of 100 such pieces fit.`;
  });
  protected readonly paperChoices = computed(() => [
    { id: '', name: 'any paper like office paper' },
    ...this.papers.rows().map(({ id, name, gsm }) => ({ id, name: this.figures.mark(`${name}, ${gsm} g/m²`) })),
  ]);
  protected readonly units = this.counted('units');
  protected readonly nested = this.counted('nested');
  protected readonly whole = computed(() => this.codecs.number('Count whole pieces.'));

  protected chooseEase(ease: string): void {
    this.asking.put({ ease: ease as EaseId });
  }

  protected chooseConfidence(confidence: string): void {
    this.asking.put({ confidence: confidence as ConfidenceId });
  }

  /** A count beside what goes in; what cannot be counted is told beside it and changes nothing. */
  private counted(key: keyof typeof COUNTS): FormControl<number | null> {
    const { most } = COUNTS[key];
    const said = `Count from 1 to ${most}.`;
    const control = controlOf(z.int(said).min(1, said).max(most, said), this.asking.asked()[key]);
    control.valueChanges.pipe(takeUntilDestroyed()).subscribe((count) => {
      if (control.valid && count !== null) this.asking.put({ [key]: count });
    });
    return control;
  }
}
