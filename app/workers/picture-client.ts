import { Injectable } from '@angular/core';
import { wrap, type Remote } from 'comlink';
import type { ColonizationEstimate, Outline, Photo, PhotoMedium } from '../../core/index';
import type { PictureAnswer, PictureApi } from './picture.worker';

/** Pictures are made smaller and looked at off the page's thread. */
@Injectable({ providedIn: 'root' })
export class PictureWorker {
  private api: Remote<PictureApi> | undefined;

  /** @throws Error where it is no picture */
  shrink(file: Blob): Promise<Photo['bytes']> {
    return settled(this.worker().shrink(file));
  }

  /** Takes a picture to be looked at. @returns where the vessel is likely to be. @throws Error where it is no picture */
  open(picture: Blob): Promise<Outline> {
    return settled(this.worker().open(picture));
  }

  /** How far what is inside an outline of the opened picture has run. */
  estimate(outline: Outline, medium: PhotoMedium): Promise<ColonizationEstimate | undefined> {
    return this.worker().estimate(outline, medium);
  }

  private worker(): Remote<PictureApi> {
    if (this.api === undefined) {
      const worker = new Worker(new URL('./picture.worker', import.meta.url), { type: 'module' });
      worker.onerror = () => {
        this.api = undefined;
      };
      this.api = wrap<PictureApi>(worker);
    }
    return this.api;
  }
}

async function settled<T>(answer: Promise<PictureAnswer<T>>): Promise<T> {
  const told = await answer;
  if (!told.ok) {
    throw new Error('That file is no picture that this browser can read.');
  }
  return told.value;
}
