/** Colours and type of the page for a chart, read when it is drawn so that it follows light and dark. */
export function plotLook() {
  const css = getComputedStyle(document.documentElement);
  const colour = (name: '--ink' | '--rule' | '--tape') => css.getPropertyValue(name).trim();
  return {
    /** The first of two is solid ink, the second dashed tape: told apart without colour. */
    lines: [
      { color: colour('--ink'), dash: 'solid' },
      { color: colour('--tape'), dash: 'dash' },
    ] as const,
    axis: { gridcolor: colour('--rule'), zerolinecolor: colour('--ink'), linecolor: colour('--ink') },
    layout: {
      paper_bgcolor: 'transparent',
      plot_bgcolor: 'transparent',
      font: { family: css.fontFamily, color: colour('--ink'), size: 13 },
    },
    config: { displayModeBar: false, responsive: true },
  };
}
