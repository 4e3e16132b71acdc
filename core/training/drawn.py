"""Draws sentences from a model of word sequences, as text to train on: how sentences open and close in plain speech.

Run: python3 drawn.py EN_US_LM_BIN OUT.jsonl [WORDS]
The model is the trie of words of Debian's pocketsphinx-en-us (BSD licence; its form: lm_trie.c of sphinxbase): chances
of a word after two others, with the ends of sentences, and no other marks. Its words get 6 for an end whose kind is not
known and 7 for no end.
"""
import bisect, json, random, struct, sys
import numpy as np

PATH, OUT = sys.argv[1:3]
WANTED = int(sys.argv[3]) if len(sys.argv) > 3 else 6_000_000
STEPS = 65536  # chances are steps of 16 bits, in the logarithm to the base 1.0001
rng = random.Random(9)


def bits_for(n):
    return int(n).bit_length()


def unpacked(data, start, count, widths):
    """`count` records of whole numbers of so many bits, side by side."""
    memory = np.frombuffer(data, np.uint8, len(data) - start, start)
    begins = np.arange(count, dtype=np.int64) * sum(widths)
    fields = []
    for width in widths:
        value = np.zeros(count, np.uint64)
        for byte in range(8):
            value |= memory[np.minimum((begins >> 3) + byte, len(memory) - 1)].astype(np.uint64) << np.uint64(8 * byte)
        fields.append(((value >> (begins & 7).astype(np.uint64)) & np.uint64((1 << width) - 1)).astype(np.int64))
        begins = begins + width
    return fields


def read(path):
    """The words, their chances, and for words after one and after two others: what came before, the word, its chance."""
    data = open(path, 'rb').read()
    at = len('Trie Language Model') + 1
    counts = struct.unpack_from('<3I', data, at)
    at += 16
    chance = lambda steps: np.exp(steps * np.log(1.0001))
    tables = np.frombuffer(data, np.float32, 3 * STEPS, at).reshape(3, STEPS)
    at += tables.nbytes
    one = np.frombuffer(data, np.dtype([('chance', '<f4'), ('left', '<f4'), ('next', '<u4')]), counts[0] + 1, at)
    at += one.nbytes
    word_bits, next_bits = bits_for(counts[0]), bits_for(counts[2])
    size = lambda n, width: ((1 + n) * width + 7) // 8 + 8
    before, packed, next_ = unpacked(data, at, counts[1] + 1, [word_bits, 32, next_bits])
    at += size(counts[1], word_bits + 32 + next_bits)
    older, packed3 = unpacked(data, at, counts[2], [word_bits, 16])
    at += size(counts[2], word_bits + 16)
    words = data[at + 4:].split(b'\0')[:counts[0]]
    # The last word comes first in the trie, and what was before it hangs below it.
    n2 = int(one['next'][-1])
    word2 = np.repeat(np.arange(counts[0]), np.diff(one['next'].astype(np.int64)))
    n3 = int(next_[n2])
    pair = np.repeat(np.arange(n2), np.diff(next_[:n2 + 1]))
    two = (before[:n2], word2, chance(tables[0][packed[:n2] >> 16]))
    three = (older[:n3] * counts[0] + before[pair], word2[pair], chance(tables[2][packed3[:n3]]))
    return [w.decode('latin1') for w in words], chance(one['chance'][:-1]), two, three


class After:
    """What follows each context, to be drawn from."""
    def __init__(self, contexts, words, chances):
        order = np.argsort(contexts, kind='stable')
        self.words, self.sums = words[order].tolist(), np.cumsum(chances[order]).tolist()
        keys, starts = np.unique(contexts[order], return_index=True)
        self.spans = dict(zip(keys.tolist(), zip(starts.tolist(), starts.tolist()[1:] + [len(order)])))

    def draw(self, context):
        """A word that follows, or None for what is left for shorter contexts."""
        first, end = self.spans.get(context, (0, 0))
        if first == end: return None
        low = self.sums[first - 1] if first else 0
        at = low + rng.random()
        return self.words[bisect.bisect_right(self.sums, at, first, end - 1)] if at < self.sums[end - 1] else None


words, chances, two, three = read(PATH)
opens, closes = words.index('<s>'), words.index('</s>')
chances[opens] = 0
alone, after_one, after_two = np.cumsum(chances).tolist(), After(*two), After(*three)


def sentence(longest=60):
    older, newer, said = -1, opens, []
    while len(said) < longest:
        word = after_two.draw(older * len(words) + newer)
        if word is None: word = after_one.draw(newer)
        if word is None: word = bisect.bisect_right(alone, rng.random() * alone[-1])
        if word == closes: break
        if word != opens:
            said.append(words[word])
            older, newer = newer, word
    return said


with open(OUT, 'w') as out:
    total = number = 0
    while total < WANTED:
        said, marks = [], []
        while len(said) < 3000:
            s = sentence()
            # Half of the sentences of one word are left out: a model makes too many.
            if not s or len(s) == 1 and rng.random() < .5: continue
            said += s
            marks += [7] * (len(s) - 1) + [6]
        out.write(('\n' if number else '') + json.dumps({'genre': 'drawn', 'name': f'drawn-{number}', 'words': ' '.join(said), 'marks': marks, 'names': [-1] * len(said)}))
        total += len(said)
        number += 1
print(total, 'words')
