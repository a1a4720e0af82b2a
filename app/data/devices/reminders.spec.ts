import { TestBed } from '@angular/core/testing';
import type { Reminder } from '../../../core/index';
import { WHICH_HOUSE, houseAt } from '../store/which-house';
import { Reminders } from './reminders';

const MINUTE: Reminder = { tag: 'minute Heat off 1', lines: ['Heat off, cook 1'], isSilent: false };
const DAY: Reminder = { tag: 'day 2026-11-30', lines: ['Shake G27', 'Look at B29'], isSilent: true };

describe('what is said while no page is looked at', () => {
  let shown: { readonly title: string; readonly options: NotificationOptions }[];
  const tab = () => {
    const reminders = TestBed.runInInjectionContext(() => new Reminders());
    reminders.permission.set('granted');
    return reminders;
  };

  beforeEach(() => {
    shown = [];
    localStorage.removeItem('nailwort reminders told');
    TestBed.configureTestingModule({ providers: [{ provide: WHICH_HOUSE, useValue: houseAt('/') }] });
    spyOnProperty(document, 'visibilityState').and.returnValue('hidden');
    spyOn(navigator.serviceWorker, 'getRegistration').and.resolveTo({
      active: {},
      showNotification: (title: string, options: NotificationOptions) => {
        shown.push({ title, options });
        return Promise.resolve();
      },
    } as never);
  });
  afterEach(() => {
    localStorage.removeItem('nailwort reminders told');
  });

  it('is said once by the service worker, whatever tabs are open, and without a sound where it must be', async () => {
    const [one, other] = [tab(), tab()];
    await Promise.all([one.tell([MINUTE, DAY]), other.tell([MINUTE, DAY])]);
    await one.tell([MINUTE, DAY]);
    expect(shown.map((s) => [s.options.body, s.options.silent])).toEqual([
      ['Heat off, cook 1', false],
      ['Shake G27\nLook at B29', true],
    ]);
  });

  it('is said again by nobody after a reload, and by anybody where nothing can be read of what was said', async () => {
    await tab().tell([MINUTE]);
    await tab().tell([MINUTE]);
    expect(shown.length).toBe(1);
    localStorage.setItem('nailwort reminders told', '{"not": "ours"}');
    await tab().tell([MINUTE]);
    expect(shown.length).toBe(2);
  });

  it('is not said where nobody allowed it', async () => {
    const silent = TestBed.runInInjectionContext(() => new Reminders());
    silent.permission.set('default');
    expect(silent.canAsk()).toBeTrue();
    await silent.tell([MINUTE]);
    expect(shown).toEqual([]);
  });
});
