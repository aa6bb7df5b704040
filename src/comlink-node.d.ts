// The adapter's types stand beside it under another ending.
declare module 'comlink/dist/esm/node-adapter.mjs' {
  import nodeEndpoint from 'comlink/dist/esm/node-adapter'
  export default nodeEndpoint
}
