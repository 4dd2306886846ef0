import { BreakpointObserver } from '@angular/cdk/layout';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { EChartsCoreOption, EChartsType } from 'echarts/core';

/** A colour of the design as it stands in the scheme that is shown. */
export type Ink = (token: string) => string;

/** What a chart shows; asked again when the scheme changes. */
export type ChartOption = (ink: Ink) => EChartsCoreOption;

/**
 * A chart in the fonts and colours of the page, in either scheme. The library comes when the first chart is shown. Who does not
 * see it reads its table, which its user places beside it.
 */
@Component({
  selector: 'oc-chart',
  template: `<div #host class="host" role="img" [attr.aria-label]="label()"></div>`,
  styles: `
    :host {
      display: block;
      width: 100%;
    }
    .host {
      width: 100%;
      height: 15rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Chart {
  readonly option = input.required<ChartOption>();
  /** What is shown, in words. */
  readonly label = input.required<string>();
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly chart = signal<EChartsType | null>(null);
  private readonly schemes = signal(0);

  constructor() {
    let gone = false;
    const leave = inject(DestroyRef);
    leave.onDestroy(() => {
      gone = true;
      this.chart()?.dispose();
    });
    let asked = false;
    // It is drawn once it has a size: within a panel that opens there is none at first.
    const sizes = new ResizeObserver(([{ contentRect }]) => {
      this.chart()?.resize();
      if (asked || contentRect.width === 0) return;
      asked = true;
      void import('./echarts').then(({ init }) => {
        if (!gone) this.chart.set(init(this.host().nativeElement));
      });
    });
    afterNextRender(() => sizes.observe(this.host().nativeElement));
    const turned = (): void => this.schemes.update((n) => n + 1);
    inject(BreakpointObserver).observe('(prefers-color-scheme: dark)').pipe(takeUntilDestroyed()).subscribe(turned);
    const set = new MutationObserver(turned);
    set.observe(document.documentElement, { attributeFilter: ['data-scheme'] });
    leave.onDestroy(() => {
      sizes.disconnect();
      set.disconnect();
    });
    effect(() => {
      this.schemes();
      const host = this.host().nativeElement;
      this.chart()?.setOption({ animation: false, ...this.option()((token) => inkOf(host, token)) }, true);
    });
  }
}

/** A token's colour as the browser works it out: one of two for the scheme. */
function inkOf(host: HTMLElement, token: string): string {
  const probe = document.createElement('span');
  probe.style.color = `var(--${token})`;
  host.append(probe);
  const { color } = getComputedStyle(probe);
  probe.remove();
  return color;
}
