import { devicesRun } from '../testing/three-devices.js';

describe('three devices that write, correct and bring in each other’s archives', () => {
  it('come to one house, in whatever order their records meet', () => {
    expect(devicesRun(60, 1).broken).toEqual([]);
  });
});
