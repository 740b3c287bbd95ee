import { Component, type ReactNode } from 'react';

/** Where a fault of the page itself ends: it says so, instead of an empty page, and offers to load it again. */
export class WhenBroken extends Component<{ children: ReactNode }, { broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  override render() {
    if (!this.state.broken) return this.props.children;
    return (
      <div className="page-state" role="alert">
        <p>Something on this page broke. What was saved is safe, and what was not is kept in this browser.</p>
        <button className="word-button" onClick={() => window.location.reload()}>
          load it again
        </button>
      </div>
    );
  }
}
