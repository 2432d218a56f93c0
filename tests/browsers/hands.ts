import type { Tab } from './tab'

const WAIT_MS = 30_000

/** What a person does with a page, in whichever browser: looks for a button by its name, presses, types, chooses a file. */
export class Hands {
  constructor(
    readonly tab: Tab,
    readonly base: string,
  ) {}

  async open(path: string): Promise<void> {
    await this.tab.open(`${this.base}${path}`)
  }
  /** Until an expression of the page is true; fails with what it was. */
  async until(expression: string, given?: unknown, waitMs = WAIT_MS): Promise<void> {
    const start = performance.now()
    for (;;) {
      // A page that is just being left has no answer.
      const isSo = await this.tab.run<boolean>(`return Boolean(${expression})`, given).catch(() => false)
      if (isSo) return
      if (performance.now() - start > waitMs) {
        const shown = await this.tab.run<string>(`return document.body.innerText.slice(0, 400)`).catch(String)
        throw new Error(`never so: ${expression}\n${shown}`)
      }
      await new Promise(resolve => setTimeout(resolve, 50))
    }
  }
  sees(css: string): Promise<void> {
    return this.until('document.querySelector(given)', css)
  }
  says(text: string): Promise<void> {
    return this.until('document.body.innerText.includes(given)', text)
  }
  async press(name: string): Promise<void> {
    const found = `[...document.querySelectorAll('button, a')].find(
      each => !each.disabled && each.textContent.trim().startsWith(given))`
    await this.until(found, name)
    await this.tab.run(`${found}.click()`, name)
  }
  async pressAt(css: string): Promise<void> {
    await this.sees(`${css}:not([disabled])`)
    await this.tab.run('document.querySelector(given).click()', css)
  }
  async select(css: string, value: string): Promise<void> {
    await this.sees(css)
    await this.tab.run(
      `const field = document.querySelector(given.css)
       field.value = given.value
       field.dispatchEvent(new Event('change', { bubbles: true }))`,
      { css, value },
    )
  }
  /** Types into the field that has this label. */
  async type(label: string, text: string): Promise<void> {
    const found = `[...document.querySelectorAll('label')].find(each => each.textContent.trim().startsWith(given.label))?.control`
    await this.until(found, { label })
    await this.tab.run(
      `const field = ${found}
       Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value').set.call(field, given.text)
       field.dispatchEvent(new Event('input', { bubbles: true }))
       field.dispatchEvent(new Event('change', { bubbles: true }))`,
      { label, text },
    )
  }
  /** Puts a file into a field: `bytes` is an expression of the page that gives a Blob or a text. */
  async chooseFile(css: string, name: string, type: string, bytes: string): Promise<void> {
    await this.sees(css)
    await this.tab.run(
      `const held = new DataTransfer()
       held.items.add(new File([await (${bytes})], given.name, { type: given.type }))
       const field = document.querySelector(given.css)
       field.files = held.files
       field.dispatchEvent(new Event('change', { bubbles: true }))`,
      { css, name, type },
    )
  }
  /** A table of the database, as one text. */
  table(name: string): Promise<string> {
    return this.tab.run(
      `const answered = request => new Promise(resolve => (request.onsuccess = () => resolve(request.result)))
       const db = await answered(indexedDB.open('yondercrest'))
       const all = await answered(db.transaction(given).objectStore(given).getAll())
       db.close()
       return JSON.stringify(all.sort((a, b) => a.id < b.id ? -1 : 1))`,
      name,
    )
  }
  /** Tables that cannot be written to within some seconds: another page holds them. Nothing is changed. */
  heldTables(): Promise<readonly string[]> {
    return this.tab.run(
      `const db = await new Promise((resolve, reject) => {
         const open = indexedDB.open('yondercrest')
         open.onsuccess = () => resolve(open.result)
         setTimeout(() => reject('the database does not open'), 8000)
       })
       const held = await Promise.all([...db.objectStoreNames].map(name => new Promise(resolve => {
         const writing = db.transaction(name, 'readwrite')
         writing.objectStore(name).delete('no such key')
         const late = setTimeout(() => resolve(name), 8000)
         writing.oncomplete = () => {
           clearTimeout(late)
           resolve(null)
         }
       })))
       db.close()
       return held.filter(Boolean)`,
    )
  }
}
