/** Colors of the look as a canvas can take them: it cannot read custom properties or light-dark(). */
export interface ChartColors {
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly rye: string;
  readonly done: string;
  readonly grain: string;
  readonly good: string;
  readonly edge: string;
  readonly font: string;
}

export function colorsOf(host: HTMLElement): ChartColors {
  return {
    ink: painted(host, '--rim'),
    soft: painted(host, '--soft'),
    line: painted(host, '--line'),
    rye: painted(host, '--rye'),
    done: painted(host, '--done'),
    grain: painted(host, '--grain'),
    good: painted(host, '--done-wash'),
    edge: painted(host, '--edge'),
    font: 'Atkinson Hyperlegible Next Variable',
  };
}

/** A custom property as the browser paints it. */
function painted(host: HTMLElement, name: string): string {
  const probe = document.createElement('span');
  probe.style.color = `var(${name})`;
  host.append(probe);
  const color = getComputedStyle(probe).color;
  probe.remove();
  return color;
}
