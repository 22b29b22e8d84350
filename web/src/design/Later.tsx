import { t } from '@lingui/core/macro'
import { Component, lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react'
import { Failed, Loading } from './States'

/**
 * A view that is fetched when it is first opened, or ahead of that: what has come by then stands at once, without the
 * moment (about 0.3 s) that React leaves what is shown meanwhile.
 * @param meanwhile what stands there until it has come
 */
export function later<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
  meanwhile: ReactNode = <Loading what={t`the view`} />,
) {
  let here: ComponentType<P> | undefined
  const come = () => fetch().then((view) => (here = view))
  const View = lazy(() =>
    come().then(
      (view) => ({ default: view }),
      () => {
        throw new NotFetched()
      },
    ),
  )
  function Later(props: P) {
    // As it was when it was first shown: what comes meanwhile must not take its state away.
    const [Here] = useState(() => here)
    if (Here) return <Here {...props} />
    return (
      <Fetched>
        <Suspense fallback={meanwhile}>
          <View {...props} />
        </Suspense>
      </Fetched>
    )
  }
  /** One that fails ahead is asked for again, and told, when it is opened. */
  const ahead = () => void come().catch(() => undefined)
  return Object.assign(Later, { ahead })
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
