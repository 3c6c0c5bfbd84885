/** Watches: thresholds on what is charged, said ahead where it can be seen coming. Source: pricing rules, "Bills"; need P4. */
export * from './watch';
export * from './watched';
export * from './alerts';
export * from './facts';
