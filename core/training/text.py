"""The prepared text as flat arrays of numbers, and windows cut from it."""
import json, re
from collections import Counter
import numpy as np

MARGIN = 3  # how far runs of words reach beyond a window
OWN, OWN_IN_WORDS = 400, 5000  # so many frequent words are themselves in runs of classes, and in runs of words
ENDINGS_OF_CLASSES = ['s', 'ed', 'ing', 'ly', 'er', 'est', 'ion', 'ty', 'al', 'ous', 'ive', 'nt', 'ble', 'ss', 'y']
# The runs of grams.ts: words or classes, and which neighbours.
RUNS = [('words', (0, 1)), ('words', (-1, 0)), ('words', (1, 2)), ('classes', (-1, 0, 1)), ('classes', (0, 1, 2)), ('classes', (1, 2, 3)),
        ('classes', (-2, -1, 0)), ('classes', (-1, 0, 1, 2)), ('classes', (0, 2)), ('classes', (-1, 1))]


def name_hash(name):
    h = 0
    for c in name: h = (h * 31 + ord(c)) & 0xffffffff
    return h


def is_held_out(d):
    """Documents kept for measuring: those of held-out.ts, and more of the other kinds."""
    if d['genre'] in ('spoken', 'drawn'): return False
    if d['genre'] == 'sotu': return d['name'][:4].endswith('5')
    if d['genre'] == 'austen': return d['name'] == 'novel-2'
    if d['genre'] == 'talks': return name_hash(d['name']) % 15 == 0
    return name_hash(d['name']) % 12 == 0


def weight(genre, name):
    """How often a document is read: what is plain and modern oftener, manuals and old books seldomer."""
    if genre == 'sotu': return 2 if int(name[:4]) >= 1945 else .6 if int(name[:4]) >= 1900 else .2
    return {'moby': .6, 'austen': .6, 'jargon': 1.2, 'rust': .6, 'django': .6, 'python': .4, 'postgres': .35, 'sqlite': .7,
            'apache': .5, 'talks': 1, 'bible': .4}.get(genre, 1.5)


def read(path):
    documents = [json.loads(line) for line in open(path)]
    for d in documents: d['words'] = d['words'].split(' ')
    return documents


def plain_number(word):
    return re.sub(r'[0-9]', '0', re.sub(r'[.,:]', '', word)) if word[0].isdigit() else word


def shape(word):
    return any(c.isdigit() for c in word) + 2 * ('-' in word) + 4 * ("'" in word) + 8 * (len(word) <= 3)


class Words:
    """What is known of words: their numbers and endings as the model's file has them, and the lists each stands in."""
    def __init__(self, words, endings, lists):
        self.words, self.endings, self.lists = words, endings, lists
        self.number = {w: i + 1 for i, w in enumerate(words)}
        self.ending = {e: i + 1 for i, e in enumerate(endings)}
        self.known = {}

    def number_of(self, word):
        """As model.ts has it: a word that is not known stands for what it is made of."""
        for form in (word, re.sub(r"'s?$", '', word), re.sub(r'[0-9]', '0', re.sub(r'[.,:]', '', word)), word.split('-')[-1], word.split('-')[0]):
            if form in self.number: return self.number[form]
        return 0

    def of(self, word):
        """Its number, its ending, its shape and lists, its keys in runs of classes and of words."""
        if word not in self.known:
            lists = self.lists.get(word, 0)
            ending = next((i + 1 for i in range(len(ENDINGS_OF_CLASSES) - 1, -1, -1) if word.endswith(ENDINGS_OF_CLASSES[i])), 0)
            rank = self.number.get(word, 1 << 30) - 1
            key = rank if rank < OWN else OWN + (lists * 16 + ending) * 2 + any(c.isdigit() for c in word)
            self.known[word] = (self.number_of(word), self.ending.get(word[-3:], 0), shape(word) + 16 * lists, key,
                                rank if rank < OWN_IN_WORDS else OWN_IN_WORDS + key)
        return self.known[word]


class Vocabulary(Words):
    """The words that have a vector of their own: the most frequent of the text, then those of the published vectors."""
    def __init__(self, documents, vectors_path, lists, of_text=13_000, most=30_000):
        self.frequency = Counter()
        for d in documents: self.frequency.update(map(plain_number, d['words']))
        endings = Counter()
        for word in self.frequency: endings[word[-3:]] += 1
        published = json.load(open(vectors_path))
        words = [w for w, n in self.frequency.most_common(of_text) if n >= 6]
        known = set(words)
        words += [w for w in published['words'] if w not in known and re.fullmatch(r'[a-z]{2,}(?:-[a-z]+)?', w)][:most - len(words)]
        super().__init__(words, [e for e, n in endings.most_common(1500) if n >= 5], lists)
        self.vectors = np.zeros((len(words) + 1, 100), np.float32)
        for w, i in self.number.items():
            if w in published['vectors']: self.vectors[i] = published['vectors'][w][:100]
        self.counts = np.array([0] + [self.frequency[w] for w in words])


class Text:
    """Documents one after the other."""
    def __init__(self, documents, vocabulary):
        self.words = np.array([vocabulary.of(w) for d in documents for w in d['words']], np.int32)
        self.marks = np.array([m for d in documents for m in d['marks']], np.int64)
        self.names = np.array([m for d in documents for m in d['names']], np.int64)
        self.lengths = np.array([len(d['words']) for d in documents])
        self.begins = np.concatenate([[0], np.cumsum(self.lengths)])
        self.of = [(d['genre'], d['name']) for d in documents]

    def windows(self, starts, documents, length, rows):
        """Words, endings, shapes, marks (-1 outside), names, rows of runs, and what lies inside its document."""
        at = starts[:, None] + np.arange(-MARGIN, length + MARGIN)[None]
        inside = (at >= self.begins[documents][:, None]) & (at < self.begins[documents + 1][:, None])
        at = np.clip(at, 0, len(self.words) - 1)
        words = self.words[at]
        keys = {'classes': np.where(inside, words[..., 3] + 2, 1).astype(np.uint32), 'words': np.where(inside, words[..., 4] + 2, 1).astype(np.uint32)}
        own = slice(MARGIN, MARGIN + length)
        here = inside[:, own]
        number, ending, form = (np.where(here, words[:, own, k], 0) for k in range(3))
        return (number, ending, form, np.where(here, self.marks[at[:, own]], -1), np.where(here, self.names[at[:, own]], -1),
                hashed(keys, length, rows), here)


def hashed(keys, length, rows):
    """The row of each run around each word, by the hash of grams.ts."""
    out = np.empty((len(keys['words']), length, len(RUNS)), np.int64)
    with np.errstate(over='ignore'):
        for run, (kind, offsets) in enumerate(RUNS):
            h = np.full((len(out), length), np.uint32((run + 1) * 40503), np.uint32)
            for offset in offsets:
                h = (h ^ keys[kind][:, MARGIN + offset:MARGIN + offset + length]) * np.uint32(2654435761)
                h ^= h >> np.uint32(15)
            out[:, :, run] = h % np.uint32(rows)
    return out


def pauses(marks, known, at_ends, elsewhere, rng):
    """What is known of the pause before and after each word, and whether there is one: simulated, oftener at ends."""
    is_end = (marks == 2) | (marks == 3) | (marks == 6)
    chance = rng.random(marks.shape)
    heard = np.where(is_end, chance < at_ends, chance < elsewhere) & known
    after = np.stack([known, heard], -1).astype(np.float32)
    before = np.zeros_like(after)
    before[:, 1:] = after[:, :-1]
    return np.concatenate([before, after], -1)
