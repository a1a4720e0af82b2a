/**
 * Looks at the first jar of the Shelf that is open, time after time.
 * @returns ms from each press to the frame that shows it, without those that warm up
 */
export async function lookPresses(page, presses, warmingUp) {
  await page.click('nw-shelf .jar');
  await page.waitForSelector('nw-vessel-inspector .bands button');
  const times = [];
  for (let n = 0; n < presses; n++) {
    times.push(
      await page.evaluate(async (nth) => {
        const buttons = [...document.querySelectorAll('nw-vessel-inspector .bands button')];
        const button = buttons[nth % 2 === 0 ? 1 : 3];
        const start = performance.now();
        button.click();
        while (!button.classList.contains('here')) {
          await new Promise((done) => requestAnimationFrame(done));
        }
        return performance.now() - start;
      }, n),
    );
    await page.waitForTimeout(30);
  }
  return times.slice(warmingUp);
}

/** What the page holds once all that it let go of was taken away, MB. */
export async function heapOf(context, page) {
  const session = await context.newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  return usedSize / 1e6;
}
