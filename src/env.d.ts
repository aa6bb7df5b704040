declare namespace App {
  interface Locals {
    nonce: string
    person: import('./server/auth').Person | null
  }
}
