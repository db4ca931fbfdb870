declare module 'plotly.js-basic-dist-min' {
  const Plotly: {
    react: (
      node: HTMLElement,
      traces: readonly object[],
      layout: object,
      config?: object,
    ) => Promise<HTMLElement>;
  };
  export default Plotly;
}
