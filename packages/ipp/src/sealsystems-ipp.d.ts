/** The part of the IPP codec that is used here; the package brings no types. */
declare module '@sealsystems/ipp' {
  interface Message {
    version?: string
    operation?: string
    statusCode?: string
    id?: number
    data?: Buffer
    [group: string]: unknown
  }
  const ipp: {
    /** @throws Error when the bytes are no IPP message */
    parse(bytes: Buffer): Message
    serialize(message: Message): Buffer
  }
  export default ipp
}
