"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import { Component, type ReactNode } from "react";

/** A row that cannot be drawn says so in its place and takes nothing else with it. */
export class RowBoundary extends Component<{ name: string; children: ReactNode }, { failed: string | null }> {
  override state = { failed: null };

  static getDerivedStateFromError(error: unknown): { failed: string } {
    return { failed: errorWords(error) };
  }

  override render(): ReactNode {
    if (this.state.failed === null) return this.props.children;
    return (
      <li role="alert" className="rounded-2xl border border-brick bg-brick-wash p-3">
        {t`${this.props.name} cannot be shown: ${this.state.failed}. It is untouched in the store.`}
      </li>
    );
  }
}
