import { Link } from 'react-router';
import { Terms } from './guide-page.tsx';
import { termsOf } from './terms.ts';

/** What the words of the screen at hand mean. */
export function HelpWith({ address, onLeave }: { address: string; onLeave: () => void }) {
  return (
    <>
      <h3>The words of this screen</h3>
      <Terms terms={termsOf(address)} />
      <p className="mt-3">
        <Link to="/guide" onClick={onLeave}>
          Six pages to get to know it, and every word
        </Link>
      </p>
    </>
  );
}
