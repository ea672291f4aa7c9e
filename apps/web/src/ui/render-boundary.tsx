import { Component, type ReactNode } from 'react'

interface Props {
  /** Tried again when it changes. */
  of: unknown
  instead: ReactNode
  children: ReactNode
}

/** Keeps a fault of drawing to the part that it happens in: what stands beside it stays, and it is drawn again when its data change. */
export class RenderBoundary extends Component<Props, { failed: unknown }> {
  override state = { failed: undefined as unknown }

  static getDerivedStateFromError(): { failed: unknown } {
    return { failed: true }
  }
  override componentDidUpdate(before: Props): void {
    if (this.state.failed && before.of !== this.props.of) this.setState({ failed: undefined })
  }
  override render(): ReactNode {
    return this.state.failed ? this.props.instead : this.props.children
  }
}
