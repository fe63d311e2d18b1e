/** A busy machine may be slow; what must be fast is measured by the benchmark, not here. */
import { configure } from '@testing-library/react';

configure({ asyncUtilTimeout: 20_000 });
