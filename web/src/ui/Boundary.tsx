import { Component, type ReactNode } from "react";
import { keyLook } from "./bits";

interface Props {
  children: ReactNode;
  /** another place is another try */
  place: string;
}

/** A screen that cannot be shown says so in its own place; the head with its ways stays. */
export class Boundary extends Component<Props, { failed: string | null }> {
  override state = { failed: null as string | null };

  static getDerivedStateFromError() {
    return { failed: "" };
  }

  override componentDidCatch() {
    this.setState({ failed: this.props.place });
  }

  override componentDidUpdate() {
    if (this.state.failed && this.state.failed !== this.props.place) this.setState({ failed: null });
  }

  override render() {
    if (this.state.failed === null) return this.props.children;
    return (
      <section role="alert" className="mx-auto mt-16 max-w-[46ch]">
        <h1 className="text-title">This page did not come out</h1>
        <p className="mt-2 text-body">
          What is kept is safe, and a cooking goes on at the server. Load the page anew, or go another way by the names
          above.
        </p>
        <a href={this.props.place} className={`${keyLook("main")} mt-4`}>
          Load it anew
        </a>
      </section>
    );
  }
}
