import { APP_BASE_HREF } from '@angular/common';
import {
  ErrorHandler,
  inject,
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import { MAT_DIALOG_DEFAULT_OPTIONS, MatDialogConfig } from '@angular/material/dialog';
import { provideRouter, withComponentInputBinding, withInMemoryScrolling } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { WHICH_HOUSE } from '../data/store/which-house';
import { FaultHandler } from './fault-handler';
import { provideIcons } from './provide-icons';
import { routes } from './routes';

/** What is given here replaces all of Material's own defaults, so it starts from them. */
function dialogDefaults(): MatDialogConfig {
  return Object.assign(new MatDialogConfig(), { width: '560px' });
}

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useClass: FaultHandler },
    provideZonelessChangeDetection(),
    provideIcons(),
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
    { provide: MAT_DIALOG_DEFAULT_OPTIONS, useFactory: dialogDefaults },
  ],
};
