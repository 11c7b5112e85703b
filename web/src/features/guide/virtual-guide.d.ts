/** Made of docs/guide.md as the application is built. */
declare module 'virtual:guide' {
  export const GUIDE: readonly { readonly id: string; readonly title: string; readonly html: string }[];
}
