'use client';

import { App } from 'antd';
import { v7 as newId } from 'uuid';
import { acceptCandidate } from '@core/work/findings/accept';
import type { ArguedCandidate } from '@core/work/findings/argue';
import { possibleAt } from '@core/work/findings/possible';
import type { RulingValue } from '@core/model/rulingRow';
import { boxOf } from '@core/work/findings/rulings';
import type { CheckCode } from '@core/method/causes/checks';
import type { Possible } from '@core/method/causes/nextCheck';
import type { Row } from '@core/model/entities';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';

const now = () => Date.now();

/** What people do with candidates; each is one step of undo. */
export function useCandidateActions() {
  const { document, edit } = useVisit();
  const { message } = App.useApp();

  const accepted = (candidate: ArguedCandidate, outcomes: ArguedCandidate['argued']['outcomes']): Edit[] => {
    const made = acceptCandidate(document, candidate, newId);
    return [
      ...made.regions.map(({ id, value }) => ({ entity: 'region' as const, rowId: id, value })),
      {
        entity: 'finding',
        rowId: made.finding.id,
        value: { ...made.finding.value, argued: { ...candidate.argued, outcomes } },
      },
    ];
  };
  const accept = (candidate: ArguedCandidate) => {
    edit('Candidate recorded as a finding', accepted(candidate, candidate.argued.outcomes));
    void message.success('Recorded. It is under Findings.', 3);
  };
  const outcome = (candidate: ArguedCandidate, check: CheckCode, came: string) => {
    const outcomes = [...candidate.argued.outcomes, { check, outcome: came, at: now(), note: '' }];
    const { finding } = candidate;
    if (finding)
      edit('Outcome of a check', [
        { entity: 'finding', rowId: finding.id, value: { ...finding.value, argued: { ...candidate.argued, outcomes } } },
      ]);
    else {
      edit('Outcome of a check, recorded as a finding', accepted(candidate, outcomes));
      void message.success('Recorded with its check. It is under Findings.', 3);
    }
  };
  const rule = (candidate: ArguedCandidate, ruling: RulingValue['ruling'], reason: string) =>
    edit(ruling === 'dismissed' ? 'Candidate dismissed' : 'Not sure of a candidate', [
      {
        entity: 'ruling',
        rowId: newId(),
        value: {
          frameId: candidate.frameId,
          stopKey: document.rows.frame[candidate.frameId]!.value.stopKey,
          ruling,
          sign: candidate.seen.sign,
          box: boxOf(candidate.seen, document.frameFacts[candidate.frameId]!),
          reason,
          ruledAt: now(),
        },
      },
    ]);
  const takeBack = (ruling: Row<'ruling'>) =>
    edit('Candidate asked again', [{ entity: 'ruling', rowId: ruling.id, value: null }]);
  const possible = (candidate: ArguedCandidate): Possible => possibleAt(document, candidate.frameId, candidate.argued);
  return { accept, outcome, rule, takeBack, possible };
}

export type CandidateActions = ReturnType<typeof useCandidateActions>;
