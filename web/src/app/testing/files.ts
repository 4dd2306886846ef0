/** What a file holds: the browser's own way is not there in tests. */
export const textOf = (blob: Blob): Promise<string> =>
  new Promise((done) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.readAsText(blob);
  });

/** Chooses a file where the browser would ask for one. */
export async function picking(file: File, press: () => void): Promise<void> {
  const made: HTMLElement[] = [];
  const create = document.createElement.bind(document);
  Object.assign(document, {
    createElement: (name: string) => {
      const element = create(name);
      made.push(element);
      return element;
    },
  });
  press();
  await new Promise((resolve) => setTimeout(resolve));
  Object.assign(document, { createElement: create });
  const input = made.find((one): one is HTMLInputElement => one instanceof HTMLInputElement && one.type === 'file')!;
  Object.defineProperty(file, 'text', { value: () => textOf(file) });
  Object.defineProperty(input, 'files', { value: [file] });
  input.onchange?.(new Event('change'));
}
