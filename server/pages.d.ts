/** The addresses of all pages, written by the build from the files in `app/pages`. */
declare module '#pages' {
  export const PAGES: readonly string[]
}
