// core/ is compiled without the DOM library. These two are part of every JavaScript engine the product runs on
// (WHATWG Encoding), and reading a file's bytes cannot do without them.
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean })
  decode(input?: Uint8Array): string
}
declare class TextEncoder {
  encode(input?: string): Uint8Array
}
