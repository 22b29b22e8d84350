declare module '*.json?pseudo' {
  const messages: import('@lingui/core').Messages
  export default messages
}
