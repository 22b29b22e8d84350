import { t } from '@lingui/core/macro'
import { Dialog } from 'radix-ui'
import { SignIn } from '../views/SignIn'

interface Props {
  school: string
  /** Who was here until the session ended. */
  name: string
}

/** A session that ended is begun again over the page, which stays behind it as it was, with all that was typed. */
export function SignInAgain({ school, name }: Props) {
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onEscapeKeyDown={(event) => event.preventDefault()}
          onOpenAutoFocus={(event) => event.preventDefault()}
          className="fixed inset-0 z-[70] overflow-auto bg-paper"
        >
          <Dialog.Title className="sr-only">{t`Sign in again`}</Dialog.Title>
          <SignIn
            school={school}
            notice={t`Your session has ended. Signed in again, ${name} finds the page as it was left; nothing that was typed is lost.`}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
