/** Asks the browser for a file of the maker's; never fulfilled where none is chosen. */
export function pickFile(accept: string): Promise<File> {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  return new Promise((resolve) => {
    input.onchange = () => {
      const file = input.files?.[0];
      if (file) resolve(file);
    };
    input.click();
  });
}
