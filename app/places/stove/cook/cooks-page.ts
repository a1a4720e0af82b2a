import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';
import { CookList } from '../../../pieces/cook-list';

/** All cooks, a step away from the Stove. */
@Component({
  selector: 'nw-cooks-page',
  imports: [CookList, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="out-of-sight">Cooks of the house</h1>
    <p><a class="word" routerLink="/stove">‹ Stove</a></p>
    <nw-cook-list />
  `,
})
export class CooksPage {}
