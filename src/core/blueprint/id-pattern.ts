/** Ids are text of 1 to 40 safe characters, unique within the course. */
export const ID_PATTERN = /^[A-Za-z0-9_-]{1,40}$/
