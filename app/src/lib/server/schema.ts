import { bigint, boolean, index, integer, jsonb, pgTable, primaryKey, real, text, timestamp, unique, uuid } from 'drizzle-orm/pg-core';
import type { Focus, Rights } from '@even-page/core/dress';
import type { Passage, Reading, SourceKind } from '@even-page/core/gather';
import type { Form, OwnBrief } from '@even-page/core/post/brief';
import type { Theme } from '@even-page/core/theme';
import type { Details } from '@even-page/core/post/details';
import type { Origin } from '@even-page/core/post/schema';
import type { Gravity } from '@even-page/core/proof';
import type { Edit, House } from '@even-page/core/tidy';
import type { TaskName } from '@even-page/core/write';
import type { PageFigures, ReferencePage } from '@even-page/core/yardstick';
import type { Step } from '../steps.ts';
import type { Looks } from './looks.ts';

/** What the Desk says about a piece: what to do next, the telling words first, and how much it matters. */
export type NextThing = { gravity: Gravity | 'fine'; says: string; rest: string };

/** A recording as a file: its SHA-256, media type and size in bytes. */
export type Recording = { digest: string; type: string; isVideo: boolean; bytes: number };

/** Where a recording was published: its title, description and address there. */
export type PublishedRecording = { title: string; description: string; address: string };

/** How the transcriber stands with a recording: the name it gave the work, how far it is (0 to 1), and what went wrong or holds it up. */
export type Transcribing = { state: 'working' | 'failed'; job: string | null; progress: number; says: string };

/** How a round of drafting stands: at work, answered, stopped by the writer, or broken off. */
export type RoundState = 'working' | 'done' | 'stopped' | 'failed';

/** What an answer is held against besides the material: the form, length and links asked for, and the blocks of the page it is to stand in place of. */
export type RoundAsked = { form: Form; words: number; blocks: string[]; was: object };

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });

export const pieces = pgTable(
  'pieces',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    /** The version that stands; its page and details are in `versions`. */
    version: integer('version').notNull(),
    /** SHA-256 of that page and its details, by which a save that changes nothing is told; null in rows of before. */
    digest: text('digest'),
    step: text('step').$type<Step>().notNull().default('gather'),
    // What the Desk shows, worked out at each save so that the list never opens a page.
    title: text('title').notNull(),
    /** The title as it is looked for and sorted. */
    titleKey: text('title_key').notNull(),
    words: integer('words').notNull(),
    sectionWords: jsonb('section_words').$type<number[]>().notNull(),
    next: jsonb('next').$type<NextThing>().notNull(),
    /** What looking through the page found; null for a page nobody looked through yet. */
    looks: jsonb('looks').$type<Looks>(),
    createdAt: moment('created_at').notNull().defaultNow(),
    touchedAt: moment('touched_at').notNull().defaultNow(),
    touchedBy: text('touched_by').notNull(),
  },
  (t) => [index('pieces_touched').on(t.touchedAt, t.id), index('pieces_title').on(t.titleKey, t.id)],
);

/** Every page and its details as they were saved, counted from 1 for each piece; a save names the one it is based on. */
export const versions = pgTable(
  'versions',
  {
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => pieces.id, { onDelete: 'cascade' }),
    version: integer('version').notNull(),
    /** The name the browser gave this save, so that one sent twice is taken once. */
    saveKey: text('save_key'),
    doc: jsonb('doc').$type<object>().notNull(),
    details: jsonb('details').$type<Details>().notNull(),
    savedAt: moment('saved_at').notNull().defaultNow(),
    savedBy: text('saved_by').notNull(),
    /** What the writer calls this version; one with a name is kept for ever. */
    name: text('name'),
  },
  (t) => [primaryKey({ columns: [t.pieceId, t.version] }), unique('versions_save_key').on(t.pieceId, t.saveKey)],
);

export const sources = pgTable('sources', {
  id: uuid('id').primaryKey().defaultRandom(),
  /** SHA-256 of the raw bytes, which are kept in a file of that name. */
  digest: text('digest').notNull(),
  bytes: bigint('bytes', { mode: 'number' }).notNull(),
  /** The resumable upload it came in by, so that one taken in twice is here once. */
  upload: text('upload').unique(),
  name: text('name').notNull(),
  kind: text('kind').$type<SourceKind>().notNull(),
  /** How its bytes were read; another reading of the same bytes is another source. */
  reading: text('reading').$type<Reading>().notNull().default('structure'),
  /** What the writer should know of the reading, a sentence each. */
  notes: jsonb('notes').$type<string[]>().notNull().default([]),
  /** The web address it was fetched from. */
  address: text('address'),
  title: text('title'),
  /** The recording behind the words, and what is known of where it was published. */
  recording: jsonb('recording').$type<Recording>(),
  published: jsonb('published').$type<PublishedRecording>(),
  /** The work of the transcriber on it, while there are no words yet. */
  transcribing: jsonb('transcribing').$type<Transcribing>(),
  passages: jsonb('passages').$type<Passage[]>().notNull(),
  words: integer('words').notNull(),
  /** How long the recording behind it is; null when its words carry no times. */
  durationMs: integer('duration_ms'),
  createdAt: moment('created_at').notNull().defaultNow(),
  createdBy: text('created_by').notNull(),
});

/** Which sources feed a piece, in order, and the edits its writer has taken over each. */
export const pieceSources = pgTable(
  'piece_sources',
  {
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => pieces.id, { onDelete: 'cascade' }),
    sourceId: uuid('source_id')
      .notNull()
      .references(() => sources.id),
    position: integer('position').notNull(),
    edits: jsonb('edits').$type<Edit[]>().notNull(),
    /** Taken off the piece, or read again in another way; the row stays, so that it can be brought back. */
    isOff: boolean('is_off').notNull().default(false),
  },
  (t) => [primaryKey({ columns: [t.pieceId, t.sourceId] })],
);

/** Pictures by an id of their own: the file each came as, which is kept as it is, and what is known of it. */
export const pictures = pgTable(
  'pictures',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    /** The file as it came: its SHA-256, media type, weight, and its size in pixels, upright. */
    original: text('original').notNull(),
    type: text('type').notNull(),
    originalBytes: integer('original_bytes').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    rights: jsonb('rights').$type<Rights>().notNull(),
    /** The alternative text it comes onto a page with. */
    alt: text('alt').notNull().default(''),
    focus: jsonb('focus').$type<Focus>().notNull(),
    quality: integer('quality').notNull(),
    /** What it is found by: its look (core/src/dress/likeness.ts) and its colour. */
    look: text('look').notNull().default(''),
    colour: text('colour').notNull().default(''),
    /** Put away: pages that show it show it still. */
    goneAt: moment('gone_at'),
    createdAt: moment('created_at').notNull().defaultNow(),
    createdBy: text('created_by').notNull(),
  },
  (t) => [index('pictures_created').on(t.createdAt), index('pictures_original').on(t.original)],
);

/** The light files made of pictures, each for a purpose: a width, or a shape cut around the focus. */
export const pictureVariants = pgTable(
  'picture_variants',
  {
    pictureId: uuid('picture_id')
      .notNull()
      .references(() => pictures.id, { onDelete: 'cascade' }),
    purpose: text('purpose').notNull(),
    /** Its media type. */
    format: text('format').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    digest: text('digest').notNull(),
    bytes: integer('bytes').notNull(),
  },
  (t) => [primaryKey({ columns: [t.pictureId, t.purpose, t.format] }), index('picture_variants_digest').on(t.digest)],
);

/** Clips by their address: what its host said when it was asked. */
export const clips = pgTable('clips', {
  address: text('address').primaryKey(),
  kind: text('kind').$type<'video' | 'audio' | 'frame'>().notNull(),
  /** The media file, or the frame of the host. */
  player: text('player').notNull(),
  title: text('title').notNull(),
  author: text('author').notNull().default(''),
  provider: text('provider').notNull().default(''),
  width: integer('width').notNull().default(0),
  height: integer('height').notNull().default(0),
  /** The host's own still, as a picture here. */
  still: text('still').notNull().default(''),
  lookedAt: moment('looked_at').notNull().defaultNow(),
  lookedBy: text('looked_by').notNull(),
});

export const outlets = pgTable('outlets', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  /** Its Micropub endpoint, and the media endpoint it named. */
  endpoint: text('endpoint').notNull(),
  mediaEndpoint: text('media_endpoint'),
  token: text('token').notNull(),
  /** How it shows posts, and the address of the one that was read for it; none while nobody has. */
  theme: jsonb('theme').$type<Theme>(),
  themeFrom: text('theme_from'),
  createdAt: moment('created_at').notNull().defaultNow(),
});

/** What went where: the address a piece has at an outlet and the version that stands there. */
export const postings = pgTable(
  'postings',
  {
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => pieces.id, { onDelete: 'cascade' }),
    outletId: uuid('outlet_id')
      .notNull()
      .references(() => outlets.id, { onDelete: 'cascade' }),
    url: text('url').notNull(),
    version: integer('version').notNull(),
    sentAt: moment('sent_at').notNull(),
    sentBy: text('sent_by').notNull(),
  },
  (t) => [primaryKey({ columns: [t.pieceId, t.outletId] })],
);

/** The first sending of a piece to an outlet, noted before it goes out: until it is over nobody knows whether it arrived. */
export const sendings = pgTable(
  'sendings',
  {
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => pieces.id, { onDelete: 'cascade' }),
    outletId: uuid('outlet_id')
      .notNull()
      .references(() => outlets.id, { onDelete: 'cascade' }),
    version: integer('version').notNull(),
    /** Until then it is on its way, and nobody else sends. */
    heldUntil: moment('held_until').notNull(),
    /** Whether its end is known: it arrived, or certainly did not. */
    isOver: boolean('is_over').notNull(),
    startedAt: moment('started_at').notNull(),
    startedBy: text('started_by').notNull(),
  },
  (t) => [primaryKey({ columns: [t.pieceId, t.outletId] })],
);

/** Where a file of a picture or a clip stands at an outlet, so that it is sent there once. */
export const sentPictures = pgTable(
  'sent_pictures',
  {
    outletId: uuid('outlet_id')
      .notNull()
      .references(() => outlets.id, { onDelete: 'cascade' }),
    digest: text('digest').notNull(),
    url: text('url').notNull(),
  },
  (t) => [primaryKey({ columns: [t.outletId, t.digest] })],
);

/** Work that is done beside the requests (jobs/ says how): one row for each key, kept for a while after its end. */
export const jobs = pgTable(
  'jobs',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    kind: text('kind').notNull(),
    /** What it is about: of two jobs with one key the second is not taken. */
    key: text('key').notNull().unique(),
    payload: jsonb('payload').$type<object>().notNull(),
    state: text('state').$type<'waiting' | 'done' | 'failed'>().notNull().default('waiting'),
    runAt: moment('run_at').notNull().defaultNow(),
    /** Until then somebody is at work on it. */
    leaseUntil: moment('lease_until'),
    /** How often it was taken up; who took it up last can tell by this whether it still is theirs. */
    takes: integer('takes').notNull().default(0),
    /** How often in a row it failed. */
    attempts: integer('attempts').notNull().default(0),
    /** What went wrong the last time. */
    says: text('says').notNull().default(''),
  },
  (t) => [index('jobs_due').on(t.state, t.runAt)],
);

/** The services that draft, as the owner set them: how each is spoken to, its address, model and sealed key. */
export const drafters = pgTable('drafters', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  form: text('form').notNull(),
  address: text('address').notNull(),
  model: text('model').notNull().default(''),
  token: text('token').notNull().default(''),
  createdAt: moment('created_at').notNull().defaultNow(),
});

/** Briefs kept under a name, to begin others from. */
export const patterns = pgTable('patterns', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull().unique(),
  brief: jsonb('brief').$type<OwnBrief>().notNull(),
  keptAt: moment('kept_at').notNull().defaultNow(),
  keptBy: text('kept_by').notNull(),
});

/** Covers kept under a name, to make others from. */
export const coverTemplates = pgTable('cover_templates', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull().unique(),
  design: jsonb('design').$type<object>().notNull(),
  keptAt: moment('kept_at').notNull().defaultNow(),
  keptBy: text('kept_by').notNull(),
});

/** Every asking of a drafter for a piece, and what came of it. */
export const rounds = pgTable(
  'rounds',
  {
    id: uuid('id').primaryKey(),
    pieceId: uuid('piece_id')
      .notNull()
      .references(() => pieces.id, { onDelete: 'cascade' }),
    /** The id of the heading it is about; empty when it is about all of the post, or words selected. */
    section: text('section').notNull(),
    task: text('task').$type<TaskName>().notNull(),
    wish: text('wish').notNull(),
    drafter: text('drafter').notNull(),
    state: text('state').$type<RoundState>().notNull(),
    /** The answer as it came, as Markdown, where its numbers of passages lead, and what was said besides. */
    answer: text('answer').notNull().default(''),
    passages: jsonb('passages').$type<Record<string, Origin>>().notNull(),
    notes: jsonb('notes').$type<string[]>().notNull().default([]),
    asked: jsonb('asked').$type<RoundAsked>().notNull(),
    askedAt: moment('asked_at').notNull().defaultNow(),
    askedBy: text('asked_by').notNull(),
    seconds: real('seconds').notNull().default(0),
    /** Whether it was taken, and how much of it; null as long as it was not. */
    taken: text('taken').$type<'whole' | 'part'>(),
    takenAt: moment('taken_at'),
  },
  (t) => [index('rounds_of_piece').on(t.pieceId, t.askedAt)],
);

/** What may become a piece some day: typed anywhere, perhaps without a network, under an id of its own. */
export const ideas = pgTable(
  'ideas',
  {
    id: uuid('id').primaryKey(),
    line: text('line').notNull(),
    notes: text('notes').notNull().default(''),
    subject: text('subject').notNull().default(''),
    links: jsonb('links').$type<string[]>().notNull().default([]),
    pictures: jsonb('pictures').$type<string[]>().notNull().default([]),
    /** The day it is wished for, as YYYY-MM-DD. */
    wishedFor: text('wished_for'),
    /** The piece that was begun from it. */
    pieceId: uuid('piece_id').references(() => pieces.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull(),
    createdBy: text('created_by').notNull(),
  },
  (t) => [index('ideas_created').on(t.createdAt)],
);

/** One row: the writer's own rules. */
export const houseStyle = pgTable('house_style', { id: integer('id').primaryKey(), style: jsonb('style').$type<House>().notNull() });

/** One row: the last entry of the write-ahead file that the tables hold. */
export const journalMark = pgTable('journal_mark', { id: integer('id').primaryKey(), entry: integer('entry').notNull() });

/** The phrases people look for: each with the columns of the list it came from, and, where pages were read for it, what it is held against. */
export const yardsticks = pgTable('yardsticks', {
  id: uuid('id').primaryKey().defaultRandom(),
  phrase: text('phrase').notNull(),
  /** The phrase as it is looked for: there is one yardstick for each. */
  phraseKey: text('phrase_key').notNull().unique(),
  columns: jsonb('columns').$type<Record<string, string>>().notNull().default({}),
  createdAt: moment('created_at').notNull().defaultNow(),
  createdBy: text('created_by').notNull(),
});

/** The reference pages of a yardstick, as they were when they were read. */
export const yardstickPages = pgTable(
  'yardstick_pages',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    yardstickId: uuid('yardstick_id')
      .notNull()
      .references(() => yardsticks.id, { onDelete: 'cascade' }),
    /** Where it was fetched; empty for one that was dropped or pasted. */
    address: text('address').notNull().default(''),
    position: integer('position').notNull(),
    page: jsonb('page').$type<ReferencePage>().notNull(),
    /** What it was when it was read the time before. */
    before: jsonb('before').$type<PageFigures>(),
    isOut: boolean('is_out').notNull().default(false),
    /** Why it is proposed to be left out; empty for those that serve. */
    because: text('because').notNull().default(''),
    /** Whether somebody said that it is in, or out. */
    isDecided: boolean('is_decided').notNull().default(false),
    readAt: moment('read_at').notNull().defaultNow(),
  },
  (t) => [index('yardstick_pages_yardstick').on(t.yardstickId, t.position)],
);
