import type { Routes } from '@angular/router';

export const shelfRoutes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Shelf',
    loadComponent: () => import('./shelf-page').then((m) => m.ShelfPage),
  },
  {
    path: 'import',
    title: 'Bring in papers',
    loadComponent: () => import('./import-papers/import-papers').then((m) => m.ImportPapers),
  },
  {
    path: 'papers/:id',
    title: 'Parts of a sheet',
    loadComponent: () => import('./paper-parts/paper-parts').then((m) => m.PaperParts),
  },
  {
    path: 'shopping',
    title: 'Shopping list',
    loadComponent: () => import('./shopping-list/shopping-list').then((m) => m.ShoppingList),
  },
  {
    path: 'use',
    title: 'Paper used',
    loadComponent: () => import('./paper-use/paper-use').then((m) => m.PaperUse),
  },
  {
    path: 'cutting',
    pathMatch: 'full',
    title: 'Cutting',
    loadComponent: () => import('./cutting/cutting-plans-page').then((m) => m.CuttingPlansPage),
  },
  {
    path: 'cutting/new',
    title: 'Plan a cut',
    loadComponent: () => import('./cutting/new-cutting').then((m) => m.NewCutting),
  },
  {
    path: 'cutting/:id',
    title: 'Cutting plan',
    loadComponent: () => import('./cutting/kept-cutting').then((m) => m.KeptCutting),
  },
];
