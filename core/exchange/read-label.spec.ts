import { readLabel } from '../index.js';

describe('a label that is read', () => {
  const id = '0190a1b2-0000-7000-8000-000000000001';

  it('is a vessel by its link, whatever the address of the house was', () => {
    for (const base of ['http://127.0.0.1:4310', 'https://nailwort.local', 'http://192.168.1.7:80']) {
      expect(readLabel(`${base}/v/${id}`, false)).toEqual({ kind: 'vessel', name: id });
      expect(readLabel(`${base}/demo/v/${id}\r\n`, true)).toEqual({ kind: 'vessel', name: id });
    }
  });

  it('is a vessel by its code or the tail of one', () => {
    for (const name of ['G27-3', 'g27', '27-3', '3', 'A112-14', 'G28b-2']) {
      expect(readLabel(` ${name} `, false)).toEqual({ kind: 'vessel', name });
    }
  });

  it('of the other house is told apart', () => {
    expect(readLabel(`http://127.0.0.1:4310/demo/v/${id}`, false)).toEqual({ kind: 'otherHouse' });
    expect(readLabel(`http://127.0.0.1:4310/v/${id}`, true)).toEqual({ kind: 'otherHouse' });
  });

  it('that is none of ours is never followed', () => {
    for (const text of [
      'https://example.org/',
      `https://example.org/v/${id}?next=https://example.org`,
      `javascript:alert(1)//v/${id}`,
      'WIFI:S:home;T:WPA;P:secret;;',
      '<script>alert(1)</script>',
      '4006381333931000000',
      '',
      `http://x/v/${'9'.repeat(400)}`,
    ]) {
      expect(readLabel(text, false)).withContext(text).toEqual({ kind: 'foreign' });
    }
  });
});
