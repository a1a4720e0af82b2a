import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Archive } from './archive';
import { Cultures } from './cultures';
import { DayHistory } from './day-history';
import { LineageView } from './lineage';
import { Settings } from './settings';

const TABS = [
  { id: 'lineage', name: 'Lineage' },
  { id: 'cultures', name: 'Cultures' },
  { id: 'history', name: 'History' },
  { id: 'archive', name: 'Archive' },
  { id: 'settings', name: 'Settings' },
] as const;

/** What is read sitting down: where things come from, what is kept, what the numbers rest on. */
@Component({
  selector: 'nw-ledger',
  imports: [Archive, Cultures, DayHistory, LineageView, RouterLink, Settings],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="out-of-sight">Ledger</h1>
    <nav aria-label="Parts of the Ledger">
      @for (one of tabs; track one.id) {
        <a
          routerLink="/ledger"
          [queryParams]="{ tab: one.id }"
          [class.open]="one.id === shown()"
          [attr.aria-current]="one.id === shown() ? 'page' : null"
          >{{ one.name }}</a
        >
      }
    </nav>
    @switch (shown()) {
      @case ('lineage') {
        <nw-lineage [open]="open()" />
      }
      @case ('cultures') {
        <nw-cultures />
      }
      @case ('history') {
        <nw-day-history />
      }
      @case ('archive') {
        <nw-archive />
      }
      @case ('settings') {
        <nw-settings />
      }
    }
  `,
  styles: `
    nav {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 26px;
      margin-bottom: 14px;
    }
    a {
      display: inline-flex;
      align-items: center;
      min-height: 44px;
      border-bottom: 3px solid transparent;
      color: var(--soft);
      font-size: 18px;
      text-decoration: none;
    }
    .open {
      border-bottom-color: var(--rim);
      color: var(--text);
      font-weight: 700;
    }
  `,
})
export class Ledger {
  readonly tab = input<string>();
  readonly open = input<string>();
  protected readonly tabs = TABS;
  protected readonly shown = computed(() => TABS.find((t) => t.id === this.tab())?.id ?? 'lineage');
}
