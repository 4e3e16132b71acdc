"""Makes core/data/subjects.bin from lines of stems: python3 subjects.py STEMS.txt OUT.bin [STEMS_KEPT] [SIZE].

Each line is a kind of text and the stems of a sentence (or of an entry of WordNet: its words, what they are kinds of, and
their gloss); a line "=" parts documents. Stems that stand in one sentence, or in two that follow one another, keep
company; their positive pointwise mutual information (Church and Hanks 1990) is cut down to SIZE dimensions by singular
values (Levy and Goldberg 2014).
"""
import json, math, sys
from collections import Counter, defaultdict
import numpy as np, torch
torch.set_num_threads(2); torch.manual_seed(1)
SOURCE, OUT = sys.argv[1:3]
KEPT = int(sys.argv[3]) if len(sys.argv) > 3 else 12000
SIZE = int(sys.argv[4]) if len(sys.argv) > 4 else 48
# How much a line of a kind counts: manuals say much about little, old novels much that is said no more.
WEIGHT = {'moby': .7, 'austen': .5, 'rust': .3, 'apache': .4, 'django': .4, 'postgres': .3, 'python': .3, 'sqlite': .5, 'bible': .5}
lines = [line.split() for line in open(SOURCE)]
count = Counter(); by_kind = defaultdict(Counter)
for kind, *stems in (line for line in lines if line and line != ['=']):
    for s in stems: count[s] += WEIGHT.get(kind, 1); by_kind[kind][s] += 1
kept = [s for s, _ in count.most_common(KEPT)]; number = {s: i for i, s in enumerate(kept)}
together = np.zeros((KEPT, KEPT), np.float32); before = []
for line in lines:
    if not line or line == ['=']: before = []; continue
    here = list({number[s] for s in line[1:] if s in number})
    if not here: continue
    weight = WEIGHT.get(line[0], 1) / math.sqrt(len(here))
    if line[0] == 'wordnet': together[np.ix_(here, here)] += 2 * weight; continue
    together[np.ix_(here, here)] += weight
    if before: together[np.ix_(here, before)] += weight / 2; together[np.ix_(before, here)] += weight / 2
    before = here
np.fill_diagonal(together, 0)
share = together.sum(1); context = share ** .75; context /= context.sum()
info = torch.log(torch.tensor(together / share.sum()) / (torch.tensor(share / share.sum())[:, None] * torch.tensor(context)[None]) + 1e-12)
info = torch.clamp(info, min=0); info[torch.tensor(together) == 0] = 0; info = (info + info.T) / 2
u, s, _ = torch.svd_lowrank(info, q=SIZE + 16, niter=3)
vectors = (u[:, :SIZE] * s[:SIZE].sqrt()).numpy()
vectors /= np.linalg.norm(vectors, axis=1, keepdims=True) + 1e-9
# Every kind has its say whatever its length.
frequency = np.zeros(KEPT)
for kind, stems in by_kind.items():
    total = sum(stems.values())
    for s, n in stems.items():
        if s in number: frequency[number[s]] += WEIGHT.get(kind, 1) * n / total
frequency /= frequency.sum()
STEP = .12
with open(OUT, 'wb') as f:
    f.write(json.dumps({'size': SIZE, 'step': STEP, 'stems': ' '.join(kept)}, ensure_ascii=False, separators=(',', ':')).encode() + b'\n')
    for v, p in zip(vectors, frequency):
        f.write(np.int8(max(-127, round(math.log(max(p, 3e-7)) / STEP))).tobytes() + np.round(v / abs(v).max() * 127).astype(np.int8).tobytes())
