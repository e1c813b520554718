/** As much of it as is used here; missing where a browser has it switched off. */
declare namespace WebAssembly {
  class Module {
    constructor(code: Uint8Array)
  }
  class Instance {
    constructor(module: Module, imports: object)
    readonly exports: Readonly<Record<string, unknown>>
  }
}
