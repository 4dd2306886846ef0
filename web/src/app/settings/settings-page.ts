import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { SettingsDraft } from '@odd-corner/contract';
import { CURRENCIES, type EaseId, EASES, type HandId, HANDS, type RulerId, RULERS } from '@odd-corner/core';
import { Session } from '../data/session';
import { SETTING_NAMES, WorkshopSettings } from '../data/workshop-settings';
import { Figures } from '../ui/figures/figures';
import { type Choice, Select } from '../ui/select/select';
import { Backups } from './backups/backups';
import { Bin } from './bin/bin';
import { HandsSection } from './hands/hands-section';
import { UndoBar } from '../ui/undo/undo-bar';
import { OpenElsewhere } from './open-elsewhere/open-elsewhere';
import { TakenAlong } from './taken-along/taken-along';

type Key = keyof SettingsDraft;

/** One setting: what it may be, and what is to be said of it. */
interface Setting {
  readonly key: Key;
  readonly choices: readonly Choice[];
  readonly hint: string;
}

const nameOf = new Intl.DisplayNames('en', { type: 'currency' });

/** A setting with its choices: each value of it in words. */
const setting = <K extends Key>(key: K, words: Readonly<Record<SettingsDraft[K], string>>, hint = ''): Setting => ({
  key,
  choices: Object.entries<string>(words).map(([id, name]) => ({ id, name })),
  hint,
});

/** What each of some kinds is called, by its id. */
function wordsOf<Id extends string>(ids: readonly Id[], say: (id: Id) => string): Readonly<Record<Id, string>> {
  return Object.fromEntries(ids.map((id) => [id, say(id)])) as Record<Id, string>;
}

const SEEN = [
  setting(
    'unit',
    { mm: 'millimetres', cm: 'centimetres', in: 'inches in fractions' },
    'You may type any unit, whatever is shown.',
  ),
  setting('mass', { g: 'grams', oz: 'ounces' }),
  setting('volume', { ml: 'millilitres', 'fl oz': 'US fluid ounces' }),
  setting('decimal', { point: 'a point: 1.5', comma: 'a comma: 1,5' }, 'You may type either.'),
  setting('scheme', { system: 'as the device is set', light: 'light', dark: 'dark' }),
];

const PAPER = [
  setting('page', { A4: 'A4', Letter: 'US Letter' }, 'New papers start with this sheet.'),
  setting(
    'currency',
    wordsOf(CURRENCIES, (id) => `${id}, ${nameOf.of(id)}`),
    'Prices you entered before keep their currency.',
  ),
];

/** How this workshop likes to see and measure. */
@Component({
  selector: 'oc-settings-page',
  imports: [Backups, Bin, HandsSection, OpenElsewhere, RouterLink, Select, TakenAlong],
  templateUrl: './settings-page.html',
  styleUrl: './settings-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsPage {
  protected readonly settings = inject(WorkshopSettings);
  protected readonly session = inject(Session);
  private readonly undo = inject(UndoBar);
  private readonly figures = inject(Figures);
  protected readonly names = SETTING_NAMES;
  protected readonly sections = computed(() => [
    { name: 'What you see', settings: SEEN },
    {
      name: 'What you measure and fold with',
      settings: [
        setting(
          'ruler',
          wordsOf(Object.keys(RULERS) as RulerId[], (id) => RULERS[id].name),
          'Sheets are rounded up to its next mark.',
        ),
        setting(
          'ease',
          wordsOf(Object.keys(EASES) as EaseId[], (id) => `${id}: ${EASES[id].reason}`),
        ),
        setting(
          'hand',
          wordsOf(Object.keys(HANDS) as HandId[], (id) =>
            this.figures.mark(`${id}: misses by about ${HANDS[id].missMm} mm`),
          ),
          `${HANDS[this.settings.current().hand].reason} How sure a fit is follows from it, and how much larger a sheet must be to be surer.`,
        ),
        setting(
          'learning',
          { on: 'yes: what it says of a hand', off: 'no: only how far a hand is said to miss' },
          'Each piece that you measure tells how far your hand misses, to which side, and how long it takes.',
        ),
        setting(
          'school',
          { ruler: 'with a ruler', fold: 'by folding alone', eye: 'by eye' },
          'What a job begins with; any mark can be found another way.',
        ),
      ],
    },
    { name: 'Paper', settings: PAPER },
  ]);

  protected put(key: Key, value: string): void {
    const { version: _, ...before } = this.settings.current();
    this.settings.change({ [key]: value }).subscribe({
      next: () => this.undo.done('Kept.', () => this.settings.change(before)),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
