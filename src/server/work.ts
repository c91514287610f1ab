import type * as z from 'zod';
import { withDecimal } from '@/core/length/length';
import { MOST_DOCUMENT, whyNotStorable } from '@/core/records/storable';
import type { Db } from '@/data/database';
import { workspaceById } from '@/data/workspaces';
import { firstMessage, refused, type Answer } from './answer';
import { installation } from './installation';
import { Trouble, troubleTold } from './trouble';
import { HEADERS, refusalOf } from './visitor';

/** What every action, route and screen works on. */
export interface At {
  readonly db: Db;
  readonly workspaceId: string;
}

const at = async (): Promise<At> => {
  const { database, workspaceId } = await installation();
  return { db: database.db, workspaceId };
};

/** Every action and route that was made by the wrappers below: a test finds one that was not. */
const wrapped = new WeakSet<object>();
export const isWrapped = (value: unknown): boolean => typeof value === 'function' && wrapped.has(value);

function wrap<F extends object>(made: F): F {
  wrapped.add(made);
  return made;
}

/**
 * An action: reads its one input by a schema and answers with a value or in words, whatever it is given and whatever
 * happens. The words of the schema are shown; what it says nothing of is answered with `otherwise`.
 */
export const action = <S extends z.ZodType, T>(
  schema: S,
  otherwise: string,
  work: (input: z.output<S>, at: At) => Promise<Answer<T>>,
): ((input: z.input<S>) => Promise<Answer<T>>) =>
  wrap(async (input) => {
    try {
      const why = whyNotStorable(input);
      if (why) return refused(why);
      const parsed = schema.safeParse(input, { error: () => otherwise });
      const answer = parsed.success
        ? await work(parsed.data, await at())
        : refused(firstMessage(parsed.error));
      return answer.ok ? answer : refused(await inOwnFigures(answer.message));
    } catch (error) {
      return refused(troubleTold(error).message);
    }
  });

/** Why not, with figures written as the weaver writes them. */
async function inOwnFigures(message: string): Promise<string> {
  if (!/\d\.\d/.test(message)) return message;
  const { db, workspaceId } = await at();
  const { settings } = await workspaceById(db, workspaceId);
  return withDecimal(message, settings.decimal);
}

/** An answer of a route in words or as data. */
export const says = (status: number, body: unknown): Response => Response.json(body, { status });

interface Context {
  readonly params: Promise<Readonly<Record<string, string>>>;
}

/** Nothing in an answer of a route is ever run. */
const DATA_POLICY = "default-src 'none'; frame-ancestors 'none'";

/** A route: answers those who may ask, in words, whatever it is given and whatever happens. */
export const route = (work: (request: Request, at: At, id: string) => Promise<Response>) =>
  wrap(async (request: Request, context?: Context): Promise<Response> => {
    const answer = await answered(request, async () =>
      work(request, await at(), (await context?.params)?.id ?? ''),
    );
    answer.headers.set('Content-Security-Policy', DATA_POLICY);
    for (const [name, value] of Object.entries(HEADERS)) answer.headers.set(name, value);
    return answer;
  });

async function answered(request: Request, work: () => Promise<Response>): Promise<Response> {
  const refusal = refusalOf(request);
  if (refusal !== null) return says(403, { message: refusal });
  try {
    return await work();
  } catch (error) {
    const { status, message } = troubleTold(error);
    return says(status, { message });
  }
}

/** More than any document of a piece needs; beyond it the request is not one of ours. */

/**
 * What a request brings, read by a schema. Throws trouble in words where it cannot be read.
 * @param mostBytes larger than this it is none of ours
 */
export async function bodyOf<S extends z.ZodType>(
  request: Request,
  schema: S,
  otherwise: string,
  mostBytes = MOST_DOCUMENT,
): Promise<z.output<S>> {
  const tooLarge = new Trouble(413, 'That is larger than anything Ivy Loom keeps. It was not saved.');
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) throw tooLarge;
  const text = await request.text();
  if (text.length > mostBytes) throw tooLarge;
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    throw new Trouble(400, otherwise);
  }
  const why = whyNotStorable(raw);
  if (why) throw new Trouble(400, why);
  const parsed = schema.safeParse(raw, { error: () => otherwise });
  if (!parsed.success) throw new Trouble(400, firstMessage(parsed.error));
  return parsed.data;
}

/** What a screen shows. Trouble is told in words, and the log names no one. */
export async function screen<T>(work: (at: At) => Promise<T>): Promise<T> {
  try {
    return await work(await at());
  } catch (error) {
    throw troubleTold(error);
  }
}
