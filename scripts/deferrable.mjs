/**
 * A migration in which foreign keys between records wait for the end of their transaction: a change may remove and create in any
 * order. drizzle-kit cannot write DEFERRABLE.
 */
export const deferrable = (sql) =>
  sql.replace(
    /(FOREIGN KEY \("course_id","\w+"\) REFERENCES [^;]*?) ON DELETE no action ON UPDATE no action;/g,
    '$1 DEFERRABLE INITIALLY DEFERRED;',
  )
