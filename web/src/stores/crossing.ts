/** As it can pass to a worker: stores hand out what watches itself. */
export const plain = <T>(data: T): T => JSON.parse(JSON.stringify(data)) as T;
