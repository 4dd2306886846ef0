import type { Routes } from '@angular/router';

export const routes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Start',
    loadComponent: () => import('./start/start-page').then((m) => m.StartPage),
  },
  {
    path: 'jobs',
    pathMatch: 'full',
    title: 'Jobs',
    loadComponent: () => import('./jobs/jobs-page').then((m) => m.JobsPage),
  },
  {
    path: 'jobs/run',
    pathMatch: 'full',
    title: 'Until a day',
    loadComponent: () => import('./jobs/run/run-page').then((m) => m.RunPage),
  },
  { path: 'jobs/:id', title: 'Job', loadChildren: () => import('./job/job-routes').then((m) => m.jobRoutes) },
  { path: 'shelf', loadChildren: () => import('./shelf/shelf-routes').then((m) => m.shelfRoutes) },
  {
    path: 'forms',
    pathMatch: 'full',
    title: 'Forms',
    loadComponent: () => import('./forms/forms-page').then((m) => m.FormsPage),
  },
  {
    path: 'forms/:id/steps',
    title: 'Steps',
    loadComponent: () => import('./forms/form-steps/form-steps').then((m) => m.FormSteps),
  },
  { path: 'forms/:id', title: 'Form', loadComponent: () => import('./forms/form-page').then((m) => m.FormPage) },
  {
    path: 'marks',
    pathMatch: 'full',
    title: 'Find a mark',
    loadComponent: () => import('./marks/marks-page').then((m) => m.MarksPage),
  },
  {
    path: 'marks/drill',
    title: 'Divide by eye',
    loadComponent: () => import('./marks/drill/drill-page').then((m) => m.DrillPage),
  },
  {
    path: 'logbook',
    pathMatch: 'full',
    title: 'Logbook',
    loadComponent: () => import('./logbook/logbook-page').then((m) => m.LogbookPage),
  },
  {
    path: 'logbook/trials',
    title: 'Trials',
    loadComponent: () => import('./logbook/trials/trials-page').then((m) => m.TrialsPage),
  },
  {
    path: 'settings',
    title: 'Settings',
    loadComponent: () => import('./settings/settings-page').then((m) => m.SettingsPage),
  },
  {
    path: 'settings/licences',
    title: 'Licences',
    loadComponent: () => import('./settings/licences/licences').then((m) => m.Licences),
  },
  {
    path: 'settings/help',
    title: 'Help',
    loadComponent: () => import('./settings/help/help-page').then((m) => m.HelpPage),
  },
  {
    path: 'settings/for-programs',
    title: 'For other programs',
    loadComponent: () => import('./settings/for-programs/for-programs').then((m) => m.ForPrograms),
  },
  { path: '**', title: 'Not here', loadComponent: () => import('./ui/not-here/not-here').then((m) => m.NotHere) },
];
