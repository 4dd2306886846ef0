/** WebAssembly that is loaded by its address. */
declare module 'highs/runtime' {
  const url: string;
  export default url;
}
