/** Problem details (RFC 9457) with a plain sentence and, where there is one, the field at fault. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  /** Field errors: path in the request and what is wrong with it. */
  errors?: { field: string; detail: string }[];
  /** Both versions, when a stale save is refused. */
  yours?: unknown;
  inForce?: unknown;
  /** What is missing: the password given again, a code beside it, or a sign-in of somebody else. */
  needs?: 'password again' | 'code' | 'sign-in';
  /** Under which the server's log says what broke. */
  requestId?: string;
  /** Seconds to wait before another try. */
  retryAfterS?: number;
}
