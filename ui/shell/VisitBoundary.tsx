'use client';

import { Component, type ReactNode } from 'react';
import { StageFailed } from './StageFailed';

/** Keeps the visit's store alive when even the frame around its stages cannot be drawn. */
export class VisitBoundary extends Component<{ children: ReactNode }, { problem: string | null }> {
  override state: { problem: string | null } = { problem: null };

  static getDerivedStateFromError(error: unknown): { problem: string } {
    return { problem: error instanceof Error ? error.message : String(error) };
  }

  override render(): ReactNode {
    const { problem } = this.state;
    if (problem === null) return this.props.children;
    return <StageFailed problem={problem} onAgain={() => this.setState({ problem: null })} />;
  }
}
