import { inject, Injectable } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { type RouterStateSnapshot, TitleStrategy } from '@angular/router';

/** Names the browser's tab after the place. */
@Injectable()
export class PageTitle extends TitleStrategy {
  private readonly title = inject(Title);

  override updateTitle(state: RouterStateSnapshot): void {
    const place = this.buildTitle(state);
    this.title.setTitle(place ? `${place} · Odd Corner` : 'Odd Corner');
  }
}
