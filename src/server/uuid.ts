const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** Whether it is an id as Avrik makes them: PostgreSQL refuses anything else with an error of its own. */
export const isUuid = (value: string): boolean => UUID.test(value);
