import { effect, inject, signal, type Signal } from '@angular/core';
import type { Photo, PhotoId } from '../../core/index';
import { PhotoStore, pictureOf, type PhotoAddress } from '../data/store/photo-store';

/** Addresses of these photos for as long as they are asked for; each is let go of with the part that shows it. */
export function photoAddresses(ids: Signal<readonly PhotoId[]>): Signal<readonly PhotoAddress[]> {
  const store = inject(PhotoStore);
  const addresses = signal<readonly PhotoAddress[]>([]);
  effect((onCleanup) => {
    const found = store.addressesOf(ids());
    let isGone = false;
    void found.then((all) => {
      if (!isGone) {
        addresses.set(all);
      }
    });
    onCleanup(() => {
      isGone = true;
      addresses.set([]);
      void found.then((all) => {
        all.forEach((p) => {
          URL.revokeObjectURL(p.address);
        });
      });
    });
  });
  return addresses;
}

/** The address of a photo that is not kept yet; empty without one. It is let go of with the part that shows it. */
export function addressOfTaken(photo: Signal<Photo | undefined>): Signal<string> {
  const address = signal('');
  effect((onCleanup) => {
    const taken = photo();
    const made = taken === undefined ? '' : URL.createObjectURL(pictureOf(taken));
    address.set(made);
    onCleanup(() => {
      URL.revokeObjectURL(made);
    });
  });
  return address;
}
