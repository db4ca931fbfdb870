/** Other names in use, small, so that whoever typed one sees that it is this. */
export function AlsoCalled({ names = [] }: { names?: readonly string[] | undefined }) {
  return names.length > 0 && <p className="text-sm text-soft">Also called {names.join(', ')}.</p>;
}
