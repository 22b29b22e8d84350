import { setupI18n, type Messages } from '@lingui/core'

/** Looks texts up in one language; a text that it does not have is said as it stands in the code. */
export const spoken = (language: string, messages: Messages) =>
  // What has nothing to be put into it needs no reading; all else was read when the client was built.
  setupI18n({ locale: language, messages: { [language]: messages } }).setMessagesCompiler((text) => [text])
