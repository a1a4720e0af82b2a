import type { DeviceId, Entry, House } from '../../../core/index';

/** Who wrote an entry: the person where one is named, and the device where it is another than this. */
export function handWords(entry: Entry, house: House, here: DeviceId | undefined): string {
  const device =
    entry.device === undefined || entry.device === here
      ? ''
      : (house.records.devices.find((d) => d.id === entry.device)?.name ?? 'another device');
  return [entry.who ?? '', device].filter(Boolean).join(', ');
}
