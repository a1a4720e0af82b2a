import { APP_BASE_HREF } from '@angular/common';
import {
  ANIMATION_MODULE_TYPE,
  ErrorHandler,
  inject,
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { WHICH_HOUSE } from '../data/store/which-house';
import { FaultHandler } from './fault-handler';
import { routes } from './routes';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useClass: FaultHandler },
    provideZonelessChangeDetection(),
    // Every route of the made-up house begins with /demo, so one address never shows the other's records.
    { provide: APP_BASE_HREF, useFactory: () => inject(WHICH_HOUSE).base },
    provideRouter(
      routes,
      withComponentInputBinding(),
      withInMemoryScrolling({ scrollPositionRestoration: 'top' }),
    ),
    provideServiceWorker('/ngsw-worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: 'registerWhenStable:3000',
    }),
    // Material's own motion is longer than a tenth of a second, and shows nothing that the change itself does not.
    { provide: ANIMATION_MODULE_TYPE, useValue: 'NoopAnimations' },
  ],
};
