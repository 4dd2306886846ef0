import type { Routes } from '@angular/router';
import { STATIONS } from './stations';

/** A job and its stations; the table of stations says which there are. */
export const jobRoutes: Routes = [
  {
    path: '',
    loadComponent: () => import('./job-page').then((m) => m.JobPage),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'sheet' },
      ...STATIONS.map(({ id, name, load }) => ({ path: id, title: name, loadComponent: load })),
      { path: '**', title: 'Not here', loadComponent: () => import('../ui/not-here/not-here').then((m) => m.NotHere) },
    ],
  },
];
