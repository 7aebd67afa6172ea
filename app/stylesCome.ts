/**
 * Puts to use the style sheet that the page fetches after its first paint (`server/plugins/page.ts`), and waits until it is there; one
 * that does not come holds nothing up.
 */
export const stylesCome = (page: Pick<Document, 'querySelectorAll'> = document): Promise<unknown> =>
  Promise.all(
    [...page.querySelectorAll<HTMLLinkElement>('link.beside')].map(
      (link) =>
        new Promise<void>((done) => {
          link.onload = link.onerror = () => done()
          const here = link.sheet !== null
          link.media = 'all'
          if (here) done()
        }),
    ),
  )
