import { createHash } from 'node:crypto';
import { isUntimed, operations, parseFactKey, tryParseFactKey, type Operation } from '@veldrift/core';
import {
  decideSchema,
  deletePupilSchema,
  ownWaySchema,
  pupilChangeSchema,
  pupilInputOf,
  pupilSchema,
  type FactOnMap,
  type PupilPage,
} from '@veldrift/wire';
import { Hono, type Context } from 'hono';
import type { RoomTx } from '../db.ts';
import { answersBehind, answersOnFacts, keptAnswerOfRow } from '../store/answers.ts';
import { playsOfPupil, ratedChecks } from '../store/checks.ts';
import { decisionsOfPupil, findDecision, keepDecision, keepFormChange } from '../store/decisions.ts';
import { note } from '../store/journal.ts';
import { refreshAllFacts } from '../store/states.ts';
import { bookOf } from '../store/pathways.ts';
import { openPlacement } from '../store/placements.ts';
import { ownIntervals } from '../store/ceiling.ts';
import { askAgain, factChance, proposalFor, standingOf } from '../store/proposal.ts';
import { addPupil, changePupil, deletePupil, keepOwnWay, movePupil } from '../store/pupils.ts';
import { listPupils } from '../store/pupilList.ts';
import { findPupil, holdPupil } from '../store/pupilRecord.ts';
import { skillAnswersById, skillsOfPupil } from '../store/skills.ts';
import { refuse } from '../refusal.ts';
import { body, idParam, inOwnRoom, readOr400, type Env, type House } from './context.ts';

/** Checks on a pupil's chart: more than two years of a weekly minute. */
const mostChecks = 120;
/** Answers listed behind one number. */
const mostIds = 2000;

export function pupilRoutes(house: House): Hono<Env> {
  const app = new Hono<Env>();

  app.get('/pupils', async (c) => {
    const list = JSON.stringify(await inOwnRoom(house, c, (tx, session) => listPupils(tx, session.timeZone)));
    // Pages ask again whenever they are looked at: a list they have already is not sent again.
    const mark = `"${createHash('sha256').update(list).digest('base64url').slice(0, 27)}"`;
    c.header('ETag', mark);
    if (c.req.header('if-none-match') === mark) return c.body(null, 304);
    return c.body(list, 200, { 'content-type': 'application/json' });
  });

  app.post('/pupils', async (c) => {
    const input = await body(c, pupilSchema);
    const pupil = await inOwnRoom(house, c, async (tx, session) => {
      await hasSet(tx, input.setId);
      await addPupil(tx, input);
      return known(tx, session.timeZone, input.id);
    });
    return c.json(pupil, 201);
  });

  app.patch('/pupils/:id', async (c) => {
    const id = idParam(c);
    const change = await body(c, pupilChangeSchema);
    if ((change.id ?? id) !== id) refuse(400, 'The id in the body is not the one in the address.', 'id');
    const pupil = await inOwnRoom(house, c, async (tx, session) => {
      const before =
        (await holdPupil(tx, session.timeZone, id)) ?? refuse(404, 'There is no such pupil in this room.');
      const input = readOr400(pupilSchema, { ...pupilInputOf(before), ...change });
      await hasSet(tx, input.setId);
      if (before.setId !== input.setId || before.school !== input.school)
        await keepFormChange(
          tx,
          before,
          await standingOf(tx, before, session.timeZone),
          input,
          session.userId,
        );
      await changePupil(tx, input);
      // Without a clock facts have other states than with one.
      if (isUntimed(before.school) !== isUntimed(input.school))
        await refreshAllFacts(tx, input, session.timeZone);
      await askAgain(tx, id);
      return known(tx, session.timeZone, id);
    });
    return c.json(pupil);
  });

  app.put('/pupils/:id/ways', async (c) => {
    const id = idParam(c);
    const { fact, way } = await body(c, ownWaySchema);
    const pupil = await inOwnRoom(house, c, async (tx, session) => {
      await known(tx, session.timeZone, id);
      await keepOwnWay(tx, id, fact, way);
      return known(tx, session.timeZone, id);
    });
    return c.json(pupil);
  });

  app.delete('/pupils/:id', async (c) => {
    const id = idParam(c);
    const { confirm } = await body(c, deletePupilSchema);
    await inOwnRoom(house, c, async (tx, session) => {
      const pupil =
        (await holdPupil(tx, session.timeZone, id)) ?? refuse(404, 'There is no such pupil in this room.');
      if (confirm.trim() !== pupil.name)
        refuse(400, 'Type the shown name exactly to delete this pupil for good.', 'confirm');
      await deletePupil(tx, id);
      await note(tx, session.userId, 'pupilDeleted');
    });
    return c.json({ ok: true });
  });

  app.get('/pupils/:id', async (c) => {
    const id = idParam(c);
    const page = await inOwnRoom(house, c, async (tx, session): Promise<PupilPage> => {
      const pupil = await known(tx, session.timeZone, id);
      return {
        pupil,
        facts: await mapOf(tx, id),
        skills: await skillsOfPupil(tx, id),
        checks: await ratedChecks(tx, id, mostChecks),
        lastPlayId: (await playsOfPupil(tx, id, 1))[0]?.id ?? null,
        decisions: await decisionsOfPupil(tx, id),
        proposal: await standingOf(tx, pupil, session.timeZone),
        openPlacement: await openPlacement(tx, pupil, Date.now()),
      };
    });
    return c.json(page);
  });

  app.get('/pupils/:id/answers', async (c) => {
    const id = idParam(c);
    const fact = factOf(c);
    const rows = await inOwnRoom(house, c, async (tx, session) => {
      await known(tx, session.timeZone, id);
      return answersOnFacts(tx, id, [fact]);
    });
    return c.json(rows.slice(-mostIds).map(keptAnswerOfRow));
  });

  app.get('/pupils/:id/chance', async (c) => {
    const id = idParam(c);
    const fact = factOf(c);
    const found = await inOwnRoom(house, c, async (tx, session) =>
      factChance(tx, await known(tx, session.timeZone, id), fact, session.timeZone),
    );
    return c.json(found);
  });

  app.get('/pupils/:id/decisions/:decision/answers', async (c) => {
    const id = idParam(c);
    const decisionId = idParam(c, 'decision');
    const rows = await inOwnRoom(house, c, async (tx, session) => {
      await known(tx, session.timeZone, id);
      const decision =
        (await findDecision(tx, decisionId)) ?? refuse(404, 'There is no such decision in this room.');
      const ground = groundOf(c);
      const answers = await answersBehind(tx, id, decision, ground, mostIds, 'recorded_answers');
      const skills =
        decision.about === 'step' && ground === 'facts'
          ? await skillAnswersById(tx, id, decision.answerIds)
          : [];
      return [...answers.map(keptAnswerOfRow), ...skills];
    });
    return c.json(rows);
  });

  app.get('/pupils/:id/proposal/answers', async (c) => {
    const id = idParam(c);
    const rows = await inOwnRoom(house, c, async (tx, session) => {
      const pupil = await known(tx, session.timeZone, id);
      const { decision } = await standingOf(tx, pupil, session.timeZone);
      return answersBehind(tx, id, decision, groundOf(c), mostIds);
    });
    return c.json(rows.map(keptAnswerOfRow));
  });

  app.get('/pupils/:id/ceiling/answers', async (c) => {
    const id = idParam(c);
    const rows = await inOwnRoom(house, c, async (tx, session) => {
      const pupil = await known(tx, session.timeZone, id);
      return ownIntervals(tx, id, pupil.capture, new Date());
    });
    return c.json(rows.map(keptAnswerOfRow).reverse());
  });

  app.post('/pupils/:id/decisions', async (c) => {
    const id = idParam(c);
    const input = await body(c, decideSchema);
    const kept = await inOwnRoom(house, c, async (tx, session) => {
      const pupil =
        (await holdPupil(tx, session.timeZone, id)) ?? refuse(404, 'There is no such pupil in this room.');
      const before = await findDecision(tx, input.id);
      if (before) return before;
      const proposal = await proposalFor(tx, pupil, session.timeZone);
      if (proposal.evidenceMark !== input.evidenceMark)
        refuse(409, 'The evidence has changed since this was shown. Look again, then decide.');
      if (input.outcome === 'accepted' && input.toSetId !== proposal.acceptedSetId)
        refuse(400, 'Accepting leads to another set than the one sent.', 'toSetId');
      if ((await bookOf(tx)).findSet(input.toSetId)?.operation !== pupil.operation)
        refuse(
          400,
          'The set is of another operation; change the operation on the pupil\u2019s page.',
          'toSetId',
        );
      await keepDecision(tx, pupil, proposal.decision, input, session.userId);
      if (input.toSetId !== pupil.setId) {
        await movePupil(tx, id, input.toSetId);
        await askAgain(tx, id);
      }
      return findDecision(tx, input.id);
    });
    return c.json(kept, 201);
  });

  return app;
}

/** The fact that is asked about. */
function factOf(c: Context<Env>): string {
  const fact = c.req.query('fact');
  return fact !== undefined && tryParseFactKey(fact)
    ? fact
    : refuse(400, 'fact should be a key such as 7x8.', 'fact');
}

/** Which answers behind a decision are asked for: those of its facts, unless `?of=checks`. */
function groundOf(c: Context<Env>): 'facts' | 'checks' {
  const of = c.req.query('of') ?? 'facts';
  return of === 'facts' || of === 'checks' ? of : refuse(400, 'of should be facts or checks.', 'of');
}

/** Refuses a set that this room does not have. */
async function hasSet(tx: RoomTx, setId: string): Promise<void> {
  if ((await bookOf(tx)).findSet(setId) === undefined) refuse(400, 'There is no such set.', 'setId');
}

async function known(tx: RoomTx, timeZone: string, id: string) {
  return (await findPupil(tx, timeZone, id)) ?? refuse(404, 'There is no such pupil in this room.');
}

/** Every tried fact by operation, on the map's range. */
async function mapOf(tx: RoomTx, pupilId: string): Promise<Record<Operation, FactOnMap[]>> {
  const rows = await tx.rows<{
    fact: string;
    state: FactOnMap['state'];
    answers: number;
    last_at: Date;
    last_ms: number | null;
  }>('select fact, state, answers, last_at, last_ms from fact_states where room_id = $1 and pupil_id = $2', [
    tx.roomId,
    pupilId,
  ]);
  const map = Object.fromEntries(operations.map((one) => [one, [] as FactOnMap[]])) as Record<
    Operation,
    FactOnMap[]
  >;
  for (const row of rows) {
    map[parseFactKey(row.fact).operation].push({
      fact: row.fact,
      state: row.state,
      answers: row.answers,
      lastAt: row.last_at.toISOString(),
      lastMs: row.last_ms,
    });
  }
  return map;
}
