import { expose } from 'comlink';
import { CoreError, type CoreErrorData } from '@core/ground/errors';
import { planLoan, type LoanHomes, type PlannedLoan } from '@core/work/loan/planLoan';
import type { Weather } from '@core/method/weather/weather';

export type LoanAnswer = { planned: PlannedLoan } | { error: CoreErrorData };

const worker = {
  /** Refusals cross as data: class and code of an error do not survive the way. */
  plan(loan: LoanHomes, weather: Weather): LoanAnswer {
    try {
      return { planned: planLoan(loan, weather) };
    } catch (error) {
      if (error instanceof CoreError) return { error: error.toJSON() };
      throw error;
    }
  },
};

export type LoanWorker = typeof worker;

expose(worker);
