import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './shell/app.config';
import { Root } from './shell/root';
import { installTrustedTypes } from './shell/trusted-types';

installTrustedTypes();
bootstrapApplication(Root, appConfig).catch((error: unknown) => {
  document.body.append(
    `Nailwort could not start: ${String(error)}. Your records are untouched; reload to try again.`,
  );
});
