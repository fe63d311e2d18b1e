/** Limits and what the maker wants, kept for this car or for all of the shop, so that they are not typed again. */
import { useQuery } from '@tanstack/react-query';
import type { BenchView } from '#contract/bench.ts';
import { specPathsOf, usualPathsOf, type Form } from '#core/bench/registry/form.ts';
import type { Calculator } from '#core/bench/registry/types.ts';
import { useCarChange } from '../../shared/changing.ts';
import { wordsOf } from '../../shared/api.ts';
import { useShop } from '../../shared/shop.ts';
import { Button } from '../../ui/Button.tsx';
import { Now, Quiet, Row } from '../../ui/parts.tsx';
import { limitsQuery, useLimitsPut } from './bench.queries.ts';
import type { BenchForm } from './useBenchForm.ts';

interface Props {
  calculator: Calculator;
  bench: BenchForm;
  buildId: string | undefined;
  car: BenchView | undefined;
}

const only = (form: Form, paths: readonly string[]): Record<string, string> =>
  Object.fromEntries(
    Object.entries(form).filter(
      ([path, text]) => paths.includes(path.replace(/[#?]$/, '')) && text.trim() !== '',
    ),
  );

export function SpecPanel({ calculator, bench, buildId, car }: Props) {
  const { seesPrices } = useShop();
  const { data } = useQuery(limitsQuery);
  const spec = useCarChange(buildId ?? '', 'benchSpecPut');
  const limits = useLimitsPut();
  const usual = usualPathsOf(calculator);
  const said = specPathsOf(calculator);
  if (said.length === 0) return null;
  const keepSpec = (): void =>
    spec.mutate({
      params: { calculator: calculator.name },
      body: { form: only(bench.form, said), version: car?.specs[calculator.name]?.version ?? 0 },
    });
  const keepLimits = (): void =>
    limits.mutate({
      calculator: calculator.name,
      body: { form: only(bench.form, usual), version: data?.limits[calculator.name]?.version ?? 0 },
    });
  const error = spec.error ?? limits.error;
  return (
    <Row>
      {buildId && (
        <Button onPress={keepSpec} isDisabled={spec.isPending}>
          Keep limits and measures as this car’s
        </Button>
      )}
      {seesPrices && usual.length > 0 && (
        <Button $look="quiet" onPress={keepLimits} isDisabled={limits.isPending}>
          Keep the limits for all cars of the shop
        </Button>
      )}
      <span role="status">{(spec.isSuccess || limits.isSuccess) && <Quiet>Kept.</Quiet>}</span>
      {error && <Now role="alert">{wordsOf(error)}</Now>}
    </Row>
  );
}
