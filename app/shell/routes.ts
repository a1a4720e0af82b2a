import { inject } from '@angular/core';
import { Router, type ActivatedRouteSnapshot, type CanActivateFn, type Routes } from '@angular/router';
import { HouseStore } from '../data/store/house-store';
import { WHICH_HOUSE } from '../data/store/which-house';

/** A house without its first facts is asked for them; the made-up one is laid out instead. */
const furnished: CanActivateFn = async (route) => {
  fetchCode(route);
  const router = inject(Router);
  const { madeUp } = inject(WHICH_HOUSE);
  // When the database cannot be opened, the page says so itself.
  const isFurnished = await inject(HouseStore)
    .isFurnished()
    .catch(() => true);
  return isFurnished || router.parseUrl(madeUp ? '/lay-out' : '/start');
};

/** What a place is made of is fetched while the database is opened, not after it. Where that fails the router says so. */
function fetchCode(route: ActivatedRouteSnapshot | null): void {
  for (let part = route; part !== null; part = part.firstChild) {
    void Promise.resolve(part.routeConfig?.loadComponent?.()).catch(() => undefined);
  }
}

export const routes: Routes = [
  {
    path: 'start',
    title: 'Nailwort',
    loadComponent: () => import('../places/start/start').then((m) => m.Start),
  },
  {
    path: 'lay-out',
    title: 'Nailwort',
    loadComponent: () => import('../places/start/lay-out').then((m) => m.LayOut),
  },
  {
    path: '',
    canActivate: [furnished],
    loadComponent: () => import('./frame').then((m) => m.Frame),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'desk' },
      {
        path: 'desk',
        title: 'Desk · Nailwort',
        loadComponent: () => import('../places/desk/desk').then((m) => m.Desk),
      },
      {
        path: 'desk/ahead',
        title: 'Plan ahead · Nailwort',
        loadComponent: () => import('../places/desk/ahead/ahead').then((m) => m.Ahead),
      },
      {
        path: 'desk/day',
        title: 'The day · Nailwort',
        loadComponent: () => import('../places/desk/ahead/day-page').then((m) => m.DayPage),
      },
      {
        path: 'desk/check',
        title: 'Check a recipe · Nailwort',
        loadComponent: () => import('../places/desk/check-recipe').then((m) => m.CheckRecipe),
      },
      {
        path: 'desk/materials',
        title: 'Materials · Nailwort',
        loadComponent: () => import('../places/desk/materials').then((m) => m.Materials),
      },
      {
        path: 'desk/vessels',
        title: 'Vessels · Nailwort',
        loadComponent: () => import('../places/desk/vessels').then((m) => m.Vessels),
      },
      {
        path: 'desk/compare',
        title: 'Compare · Nailwort',
        loadComponent: () => import('../places/desk/compare').then((m) => m.Compare),
      },
      {
        path: 'desk/formula/:id',
        title: 'Formula · Nailwort',
        loadComponent: () => import('../places/desk/edit-formula').then((m) => m.EditFormula),
      },
      {
        path: 'desk/sheet/:batch',
        title: 'Sheet · Nailwort',
        loadComponent: () => import('../places/desk/sheet').then((m) => m.Sheet),
      },
      {
        path: 'stove',
        title: 'Stove · Nailwort',
        loadComponent: () => import('../places/stove/stove').then((m) => m.Stove),
      },
      {
        path: 'stove/cooks',
        title: 'Cooks · Nailwort',
        loadComponent: () => import('../places/stove/cook/cooks-page').then((m) => m.CooksPage),
      },
      {
        path: 'stove/cook/:cook',
        title: 'Record of a cook · Nailwort',
        loadComponent: () => import('../places/stove/cook/cook-record').then((m) => m.CookRecord),
      },
      {
        path: 'box',
        title: 'Box · Nailwort',
        loadComponent: () => import('../places/box/box').then((m) => m.Box),
      },
      {
        path: 'shelf',
        title: 'Shelf · Nailwort',
        loadComponent: () => import('../places/shelf/shelf').then((m) => m.Shelf),
      },
      {
        path: 'tent',
        title: 'Tent · Nailwort',
        loadComponent: () => import('../places/tent/tent').then((m) => m.Tent),
      },
      {
        path: 'ledger',
        title: 'Ledger · Nailwort',
        loadComponent: () => import('../places/ledger/ledger').then((m) => m.Ledger),
      },
      {
        path: 'batch/:name',
        title: 'Batch · Nailwort',
        loadComponent: () => import('../places/ledger/batch-page').then((m) => m.BatchPage),
      },
      {
        path: 'v/:name',
        title: 'Nailwort',
        loadComponent: () => import('./open-code').then((m) => m.OpenCode),
      },
      { path: '**', redirectTo: 'desk' },
    ],
  },
];
