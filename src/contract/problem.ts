/** Errors as the API gives them: problem documents of RFC 9457, with the fields at fault. */
export interface FieldFault {
  /** Path of the field in the request: `facts.moneyMinor`. */
  field: string;
  reason: string;
}

export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  requestId?: string;
  fields?: FieldFault[];
  /** What is kept now, where a request was based on something older. */
  current?: unknown;
}
