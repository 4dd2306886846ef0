import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import { type ApplicationConfig, provideBrowserGlobalErrorListeners } from '@angular/core';
import {
  provideRouter,
  TitleStrategy,
  withComponentInputBinding,
  withInMemoryScrolling,
  withPreloading,
} from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { routes } from './app.routes';
import { canWorkOffline } from './offline/can-work-offline';
import { LoadAhead } from './offline/load-ahead';
import { sessionInterceptor } from './data/session-interceptor';
import { PageTitle } from './page-title';
import { provideCuttingWorker } from './workers/provide-cutting-worker';
import { provideTrialWorker } from './workers/provide-trial-worker';
import { provideFoldingWorker } from './workers/provide-folding-worker';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideHttpClient(withFetch(), withInterceptors([sessionInterceptor])),
    provideRouter(
      routes,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'enabled' }),
      withPreloading(LoadAhead),
    ),
    { provide: TitleStrategy, useClass: PageTitle },
    provideServiceWorker('ngsw-worker.js', {
      enabled: canWorkOffline(),
      registrationStrategy: 'registerWhenStable:10000',
    }),
    provideFoldingWorker(),
    provideCuttingWorker(),
    provideTrialWorker(),
  ],
};
