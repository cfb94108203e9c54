import { configure } from '@testing-library/react';

// A second, the library's own, is short for a machine that has other work.
configure({ asyncUtilTimeout: 60_000 });
