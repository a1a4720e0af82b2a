const MOVES = 40;
const WARMING_UP = 6;

/**
 * The slider of the hold on the page of a load, slowed: ms from each move until the frame that shows the middling answer,
 * until the frame that shows the band, and until how many sour is told anew.
 *
 * @param slowdown of the page's own thread; the worker that draws the band is as fast as the machine
 */
export async function sliderTimes(context, origin, slowdown) {
  const page = await context.newPage();
  await page.goto(`${origin}/demo/stove`);
  await page.getByText('It went wrong').click();
  await page.getByRole('button', { name: 'Stop this cook' }).click();
  await page.getByRole('button', { name: 'Load a cook' }).click();
  await page.getByText(/Overkill, F0 12: /).waitFor();
  await page.waitForTimeout(1500);
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
  const times = { middling: [], band: [], spoilage: [] };
  for (let n = 0; n < MOVES; n++) {
    // Far enough apart that each answer is another.
    const found = await page.evaluate(moveSlider, 45 + ((n * 35) % 100));
    if (n >= WARMING_UP) {
      Object.keys(times).forEach((what) => times[what].push(found[what]));
    }
    await page.waitForTimeout(200);
  }
  await page.close();
  return times;
}

/** Runs in the page. */
async function moveSlider(minutes) {
  const choice = document.querySelector('nw-hold-choice');
  const box = choice.querySelector('input[type="range"]');
  const shown = {
    middling: () => choice.querySelector('.track .middle').style.left,
    band: () => {
      const { left, right } = choice.querySelector('.track .band').style;
      return `${left} ${right}`;
    },
    spoilage: () => choice.querySelector('.spoil').textContent,
  };
  const before = Object.fromEntries(Object.entries(shown).map(([what, of]) => [what, of()]));
  const start = performance.now();
  box.value = String(Math.round(minutes / 5) * 5);
  box.dispatchEvent(new Event('input', { bubbles: true }));
  const found = {};
  while (Object.keys(found).length < 3) {
    await new Promise((done) => requestAnimationFrame(done));
    const now = performance.now() - start;
    for (const what of Object.keys(shown)) {
      if (found[what] === undefined && shown[what]() !== before[what]) {
        found[what] = now;
      }
    }
    if (now > 10_000) {
      throw new Error(
        `The slider at ${box.value} min moved only ${Object.keys(found).join(', ') || 'nothing'}`,
      );
    }
  }
  return found;
}
