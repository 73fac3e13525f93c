import type { LoggerOptions, ReadLogger } from '../../core';

/** A logger file to be read. */
export type FileJob = { bytes: Uint8Array; options: LoggerOptions };
export type FileAnswer = ReadLogger;
