import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Select } from '../ui/select/select';
import type { SettingsDraft } from '@odd-corner/contract';
import { type EaseId, EASES, type HandId, HANDS, type RulerId, RULERS } from '@odd-corner/core';
import { WorkshopSettings } from '../data/workshop-settings';
import { UndoBar } from '../ui/undo/undo-bar';

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
  protected readonly units = [
    { id: 'mm', name: 'millimetres' },
    { id: 'cm', name: 'centimetres' },
    { id: 'in', name: 'inches in fractions' },
  ] as const;
  protected readonly rulers = (Object.keys(RULERS) as RulerId[]).map((id) => ({ id, name: RULERS[id].name }));
  protected readonly eases = (Object.keys(EASES) as EaseId[]).map((id) => ({ id, name: `${id}: ${EASES[id].reason}` }));
  protected readonly hands = (Object.keys(HANDS) as HandId[]).map((id) => ({
    id,
    name: `${id}: misses by about ${HANDS[id].missMm} mm`,
  }));
  protected readonly handReason = computed(() => HANDS[this.settings.current().hand].reason);
  protected readonly schemes = [
    { id: 'system', name: 'as the device is set' },
    { id: 'light', name: 'light' },
    { id: 'dark', name: 'dark' },
  ] as const;

  protected put(next: Partial<SettingsDraft>): void {
    const before = this.settings.current();
    this.settings.change(next).subscribe({
      next: () => this.undo.done('Kept.', () => this.settings.change(draftOf(before))),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}

function draftOf({ unit, ruler, ease, hand, scheme }: SettingsDraft): SettingsDraft {
  return { unit, ruler, ease, hand, scheme };
}
