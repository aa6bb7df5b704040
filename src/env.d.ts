declare namespace App {
  interface Locals {
    nonce: string
    person: import('./server/auth').Person | null
    /** Settles when the answer is sent, or its reader is gone; not there in the development server. */
    answered?: Promise<void>
  }
}
