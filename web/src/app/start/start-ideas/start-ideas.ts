import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { type Drawing, entriesOf, type Form, FORMS, type Holds, SHELF } from '@odd-corner/core';
import { map, merge, scan } from 'rxjs';
import { PagedList } from '../../data/paged-list';
import { Recents } from '../../data/recents';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOfMake } from '../../ui/drawing-view/paper-colours';
import { Figures } from '../../ui/figures/figures';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { Asking } from '../asked/asking';
import { readLine } from '../asked/purpose-reading';
import { FirstUse } from '../first-use/first-use';

/** One of each kind of thing that can be asked for, as it would be typed. */
const EXAMPLES: readonly { readonly holds: Holds; readonly name: string; readonly text: string }[] = [
  { holds: 'boxes and blocks', name: 'Something solid', text: '60 x 45 x 22 mm' },
  { holds: 'flat things', name: 'A set of flat things', text: '4 tickets 105 x 74 mm, one hex key 120 x 35 x 8 mm' },
  { holds: 'loose pieces', name: 'Loose pieces', text: '30 loose buttons ø15 x 3 mm' },
  { holds: 'liquid', name: 'A liquid', text: '120 ml' },
  { holds: 'pages', name: 'The pages of a book', text: 'pages 4 mm' },
  { holds: 'a floating load', name: 'A load afloat', text: 'load 40 g' },
  { holds: 'pens', name: 'Pens on a desk', text: '12 pens ø9 x 150 mm' },
  { holds: 'a strap', name: 'A strap', text: 'strap 25 x 2 mm' },
  { holds: 'a standing card', name: 'A card at a place', text: 'place card 85 x 55 mm' },
  { holds: 'rolling beads', name: 'A rolling bead', text: 'bead 8 mm' },
  { holds: 'a head', name: 'A head', text: 'head 56 cm' },
];

/** The forms that answer the kinds, each form once: rather one that does nothing else so well. */
function formsFor(kinds: readonly Holds[]): readonly Form[] {
  const taken = new Set<string>();
  return kinds.map((kind) => {
    const able = FORMS.filter((form) => SHELF.holdsOf(form).includes(kind));
    const best = able.find((form) => !taken.has(form.id) && SHELF.holdsOf(form)[0] === kind);
    const form = best ?? able.find(({ id }) => !taken.has(id)) ?? able[0];
    taken.add(form.id);
    return form;
  });
}

/** So many jobs on the table are shown. */
const MOST_JOBS = 12;

/** The start page while nothing is asked: what can be asked, what was asked last, and jobs on the table. */
@Component({
  selector: 'oc-start-ideas',
  imports: [DrawingView, FirstUse, MatButtonModule, RouterLink],
  templateUrl: './start-ideas.html',
  styleUrl: './start-ideas.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartIdeas {
  private readonly asking = inject(Asking);
  private readonly jobs = new PagedList('jobs', { chunk: MOST_JOBS, topic: 'jobs' });
  private readonly recents = inject(Recents);
  private readonly figures = inject(Figures);
  private readonly folding = inject(Folding);

  private readonly forms = formsFor(EXAMPLES.map(({ holds }) => holds));
  /** As they are folded, one by one. */
  private readonly pictures = toSignal(
    merge(...this.forms.map(({ id }, k) => this.folding.card(id).pipe(map((picture) => ({ k, picture }))))).pipe(
      scan((known, { k, picture }) => new Map(known).set(k, picture), new Map<number, Drawing>()),
      inject(Troubles).retrying(),
    ),
    { initialValue: new Map<number, Drawing>() },
  );
  protected readonly examples = computed(() =>
    EXAMPLES.map(({ name, text }, k) => ({
      ...{ name, text: this.written(text), form: this.forms[k].name },
      colours: coloursOfMake(entriesOf(this.forms[k], {}), () => null),
      picture: this.pictures().get(k) ?? null,
    })),
  );
  protected readonly asked = computed(() => [
    ...new Set(this.recents.rows().map(({ purpose }) => this.figures.purpose(purpose))),
  ]);
  protected readonly folded = this.jobs.rows;

  constructor() {
    this.jobs.ask({ state: 'folding', archived: 'no' });
    this.recents.refresh();
  }

  protected ask(text: string): void {
    this.asking.put({ text, turn: null });
  }

  private written(text: string): string {
    const reading = readLine(text, 'mm');
    return reading.kind === 'purpose' ? this.figures.purpose(reading.purpose) : text;
  }
}
