import { Component } from 'react';
import type { ReactNode } from 'react';

/** What breaks in it is told in its place, and everything around it goes on: above all the log. */
export class Guard extends Component<{ what: string; children: ReactNode }, { broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  override render() {
    if (!this.state.broken) return this.props.children;
    return (
      <p role="alert" className="border-l-[6px] border-warn bg-paper px-4 py-2 text-warn">
        {this.props.what} broke. Logging goes on, and nothing is lost.
      </p>
    );
  }
}
