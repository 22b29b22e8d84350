import { t } from '@lingui/core/macro'
import { Component, type ReactNode } from 'react'
import { Failed } from '../design/States'

interface Props {
  /** Where it is: elsewhere is another try. */
  at: string
  children: ReactNode
}

/** A view that cannot be drawn says so in its place; the rest goes on. */
export class ViewBoundary extends Component<Props, { failed: boolean }> {
  override state = { failed: false }

  static getDerivedStateFromError() {
    return { failed: true }
  }

  override componentDidUpdate(before: Props) {
    if (this.state.failed && before.at !== this.props.at) this.setState({ failed: false })
  }

  override render() {
    if (!this.state.failed) return this.props.children
    return (
      <Failed
        error={new Error(t`This view could not be drawn. What was stored is stored; what was typed here is lost.`)}
        again={() => this.setState({ failed: false })}
      />
    )
  }
}
