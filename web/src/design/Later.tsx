import { t } from '@lingui/core/macro'
import { Component, lazy, Suspense, type ComponentType, type ReactNode } from 'react'
import { Failed, Loading } from './States'

/**
 * A view that is fetched when it is first opened.
 * @param meanwhile what stands there until it has come
 */
export function later<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
  meanwhile: ReactNode = <Loading what={t`the view`} />,
) {
  const View = lazy(() =>
    fetch().then(
      (view) => ({ default: view }),
      () => {
        throw new NotFetched()
      },
    ),
  )
  return function Later(props: P) {
    return (
      <Fetched>
        <Suspense fallback={meanwhile}>
          <View {...props} />
        </Suspense>
      </Fetched>
    )
  }
}

class NotFetched extends Error {
  override message = t`This view could not be fetched: there is no connection, or Fujin was updated.`
}

/** What could not be fetched is said, with a way on, and nothing else on screen goes; any other error passes. */
class Fetched extends Component<{ children: ReactNode }, { error: Error | null }> {
  override state = { error: null as Error | null }
  static getDerivedStateFromError = (error: Error) => ({ error })

  override render() {
    const { error } = this.state
    if (error === null) return this.props.children
    if (!(error instanceof NotFetched)) throw error
    return <Failed error={error} again={() => window.location.reload()} />
  }
}
