import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatExpansionModule } from '@angular/material/expansion';
import { RouterLink } from '@angular/router';
import { routes } from '@odd-corner/contract';
import { Api, failureText } from '../../data/api';
import { StateNote } from '../../ui/state-note/state-note';

/** As much of OpenAPI as is shown. */
interface Described {
  readonly info: { readonly description: string };
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
}

interface Content {
  readonly content: Readonly<Record<string, { readonly schema: unknown }>>;
}

interface Operation {
  readonly operationId: string;
  readonly summary: string;
  readonly tags: readonly string[];
  readonly parameters: readonly { readonly name: string; readonly in: string }[];
  readonly requestBody?: Content;
  readonly responses: { readonly '2XX': Content };
}

const shown = (content: Content | undefined): string | null => {
  const [first] = Object.values(content?.content ?? {});
  return first ? JSON.stringify(first.schema, null, 2) : null;
};

/** What the workshop's server answers, from the same table that it answers by. */
@Component({
  selector: 'oc-for-programs',
  imports: [MatExpansionModule, RouterLink, StateNote],
  templateUrl: './for-programs.html',
  styleUrl: './for-programs.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ForPrograms {
  private readonly api = inject(Api);
  private readonly described = signal<Described | null>(null);
  protected readonly failed = signal<string | null>(null);
  protected readonly file = routes.openApi.path;
  protected readonly about = computed(() => this.described()?.info.description ?? '');
  /** Routes by what they are about. */
  protected readonly groups = computed(() => {
    const groups = new Map<string, ReturnType<typeof routeOf>[]>();
    for (const [path, methods] of Object.entries(this.described()?.paths ?? {}))
      for (const [method, operation] of Object.entries(methods)) {
        const [tag] = operation.tags;
        groups.set(tag, [...(groups.get(tag) ?? []), routeOf(path, method, operation)]);
      }
    return [...groups].map(([tag, all]) => ({ tag, name: tag.replaceAll('-', ' '), all }));
  });

  constructor() {
    this.read();
  }

  protected read(): void {
    this.failed.set(null);
    this.api.call('openApi').subscribe({
      next: (described) => this.described.set(described as unknown as Described),
      error: (error: unknown) => this.failed.set(failureText(error)),
    });
  }
}

const routeOf = (path: string, method: string, operation: Operation) => ({
  ...{ path, id: operation.operationId, method: method.toUpperCase(), summary: operation.summary },
  asked: operation.parameters.filter((one) => one.in === 'query').map(({ name }) => name),
  body: shown(operation.requestBody),
  answer: shown(operation.responses['2XX']),
});
