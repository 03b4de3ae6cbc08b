/** A new id (UUID version 4, RFC 9562), also over plain HTTP, where the browser’s own `randomUUID` is missing. */
export { v4 as newId } from 'uuid';
