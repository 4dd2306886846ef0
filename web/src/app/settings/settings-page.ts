import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { SettingsDraft } from '@odd-corner/contract';
import { CURRENCIES, type EaseId, EASES, type HandId, HANDS, type RulerId, RULERS } from '@odd-corner/core';
import { SETTING_NAMES, WorkshopSettings } from '../data/workshop-settings';
import { Figures } from '../ui/figures/figures';
import { Select } from '../ui/select/select';
import { UndoBar } from '../ui/undo/undo-bar';

const nameOf = new Intl.DisplayNames('en', { type: 'currency' });

/** How this workshop likes to see and measure. */
@Component({
  selector: 'oc-settings-page',
  imports: [Select],
  templateUrl: './settings-page.html',
  styleUrl: './settings-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsPage {
  protected readonly settings = inject(WorkshopSettings);
  private readonly undo = inject(UndoBar);
  private readonly figures = inject(Figures);
  protected readonly names = SETTING_NAMES;
  protected readonly units = [
    { id: 'mm', name: 'millimetres' },
    { id: 'cm', name: 'centimetres' },
    { id: 'in', name: 'inches in fractions' },
  ] as const;
  protected readonly masses = [
    { id: 'g', name: 'grams' },
    { id: 'oz', name: 'ounces' },
  ] as const;
  protected readonly volumes = [
    { id: 'ml', name: 'millilitres' },
    { id: 'fl oz', name: 'US fluid ounces' },
  ] as const;
  protected readonly decimals = [
    { id: 'point', name: 'a point: 1.5' },
    { id: 'comma', name: 'a comma: 1,5' },
  ] as const;
  protected readonly currencies = CURRENCIES.map((id) => ({ id, name: `${id}, ${nameOf.of(id)}` }));
  protected readonly pages = [
    { id: 'A4', name: 'A4' },
    { id: 'Letter', name: 'US Letter' },
  ] as const;
  protected readonly rulers = (Object.keys(RULERS) as RulerId[]).map((id) => ({ id, name: RULERS[id].name }));
  protected readonly eases = (Object.keys(EASES) as EaseId[]).map((id) => ({ id, name: `${id}: ${EASES[id].reason}` }));
  protected readonly hands = computed(() =>
    (Object.keys(HANDS) as HandId[]).map((id) => ({
      id,
      name: this.figures.mark(`${id}: misses by about ${HANDS[id].missMm} mm`),
    })),
  );
  protected readonly handReason = computed(() => HANDS[this.settings.current().hand].reason);
  protected readonly schemes = [
    { id: 'system', name: 'as the device is set' },
    { id: 'light', name: 'light' },
    { id: 'dark', name: 'dark' },
  ] as const;

  protected put(next: Partial<SettingsDraft>): void {
    const { version: _, ...before } = this.settings.current();
    this.settings.change(next).subscribe({
      next: () => this.undo.done('Kept.', () => this.settings.change(before)),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
