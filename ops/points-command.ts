import { pointCosts } from '@/core/findings/points/point-costs';
import { type PointGrade, pointsModel } from '@/core/findings/points/points-model';
import { aliveIn, modelCommand } from './model-command';

/*
 * npm run -s points -- FILE.csv
 * Reads alive and a column a point (good, poor or fatal), and prints as JSON what each adds to the log odds and what it
 * costs: {what: {value, se}}.
 */
modelCommand({
  name: 'points',
  needs: ['alive'],
  answer: ({ columns, rows }) => {
    const points = columns.filter((column) => column !== 'alive');
    const known = rows.map((row, at) => ({
      alive: aliveIn(row, at),
      grades: Object.fromEntries(points.map((point) => [point, (row[point] ?? '').trim() as PointGrade])),
    }));
    const model = pointsModel(known);
    return {
      intercept: { value: model.intercept, se: model.interceptError },
      ...Object.fromEntries(
        model.effects.map(({ point, grade, estimate, standardError }) => [
          `${point} ${grade}`,
          { value: estimate, se: standardError },
        ]),
      ),
      ...Object.fromEntries(
        pointCosts(known, model).map(({ point, perHundred }) => [
          `cost per hundred ${point}`,
          { value: perHundred, se: null },
        ]),
      ),
    };
  },
});
