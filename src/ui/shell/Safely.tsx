'use client';

import { Component, type ReactNode } from 'react';

interface Props {
  /** What is shown in its place. */
  readonly otherwise: ReactNode;
  readonly children: ReactNode;
}

/** A part of a screen that takes nothing else down with it where it cannot be shown. */
export class Safely extends Component<Props, { readonly broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  override componentDidUpdate(before: Props) {
    // Something else is to be shown: it may go well again.
    if (this.state.broken && before.children !== this.props.children) this.setState({ broken: false });
  }

  override render() {
    return this.state.broken ? this.props.otherwise : this.props.children;
  }
}
