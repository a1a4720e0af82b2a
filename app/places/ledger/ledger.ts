import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatTabLink, MatTabNav, MatTabNavPanel } from '@angular/material/tabs';
import { RouterLink } from '@angular/router';
import { CookList } from '../../pieces/cook-list';
import { Archive } from './archive';
import { Cultures } from './cultures';
import { DayHistory } from './day-history';
import { LineageView } from './lineage';
import { Settings } from './settings';

const TABS = [
  { id: 'lineage', name: 'Lineage' },
  { id: 'cultures', name: 'Cultures' },
  { id: 'cooks', name: 'Cooks' },
  { id: 'history', name: 'History' },
  { id: 'archive', name: 'Archive' },
  { id: 'settings', name: 'Settings' },
] as const;

/** What is read sitting down: where things come from, what is kept, what the numbers rest on. */
@Component({
  selector: 'nw-ledger',
  imports: [
    Archive,
    CookList,
    Cultures,
    DayHistory,
    LineageView,
    MatTabLink,
    MatTabNav,
    MatTabNavPanel,
    RouterLink,
    Settings,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="out-of-sight">Ledger</h1>
    <nav mat-tab-nav-bar aria-label="Parts of the Ledger" [mat-stretch-tabs]="false" [tabPanel]="part">
      @for (one of tabs; track one.id) {
        <a
          mat-tab-link
          class="part"
          routerLink="/ledger"
          [queryParams]="{ tab: one.id }"
          [active]="one.id === shown()"
          >{{ one.name }}</a
        >
      }
    </nav>
    <mat-tab-nav-panel #part>
      @switch (shown()) {
        @case ('lineage') {
          <nw-lineage [open]="open()" />
        }
        @case ('cultures') {
          <nw-cultures />
        }
        @case ('cooks') {
          <nw-cook-list />
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
    </mat-tab-nav-panel>
  `,
  styles: `
    nav {
      margin-bottom: 14px;
    }
    @media (max-width: 820px) {
      a.part {
        min-width: 0;
        padding: 0 4px;
        font-size: 14px;
      }
    }
  `,
})
export class Ledger {
  readonly tab = input<string>();
  readonly open = input<string>();
  protected readonly tabs = TABS;
  protected readonly shown = computed(() => TABS.find((t) => t.id === this.tab())?.id ?? 'lineage');
}
