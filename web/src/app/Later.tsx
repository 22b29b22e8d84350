import { Component, lazy, Suspense, type ComponentType, type ReactNode } from 'react'
import { Failed, Loading } from '../design/States'

/** A view that is fetched when it is first opened; the cockpit's are never among them. */
export function later<P extends object>(fetch: () => Promise<ComponentType<P>>) {
  const View = lazy(() => fetch().then((view) => ({ default: view })))
  return function Later(props: P) {
    return (
      <Fetched>
        <Suspense fallback={<Loading what="the view" />}>
          <View {...props} />
        </Suspense>
      </Fetched>
    )
  }
}

/** No connection, or Fujin was updated meanwhile: said, with a way on, and nothing else on screen goes. */
class Fetched extends Component<{ children: ReactNode }, { error: Error | null }> {
  override state = { error: null as Error | null }
  static getDerivedStateFromError = (error: Error) => ({ error })

  override render() {
    if (!this.state.error) return this.props.children
    const said = new Error('This view could not be fetched: there is no connection, or Fujin was updated.')
    return <Failed error={said} again={() => window.location.reload()} />
  }
}
