"""Trains the network for marks and writes it as model.ts reads it. How to run it: README.md.

python3 train.py OUT VECTORS MINUTES NAME [START]
START is the name of an earlier run to go on from: more is hidden from it then, it hears more talk, and what comes out is
the mean of both runs, which knows more than either.
"""
import json, math, sys, time
import numpy as np, torch, torch.nn as nn
from network import BLOCKS, EMBEDDING, LISTS, Network, batch, chances, coarse, export, loss_of, order, scores, tables_of
from text import OWN, OWN_IN_WORDS, Text, Vocabulary, is_held_out, read, weight

OUT, VECTORS, MINUTES, NAME = sys.argv[1], sys.argv[2], float(sys.argv[3]), sys.argv[4]
START = sys.argv[5] if len(sys.argv) > 5 else None
RATE, SPOKEN, DRAWN = (.0015, 14, .6) if START else (.004, 10, .3)
# How often a word is unknown, or known by its published vector alone, and what is hidden before the first and the last layer.
UNKNOWN, PUBLISHED, HIDDEN_FIRST, HIDDEN_LAST = (.08, .3, .15, .15) if START else (.04, .1, .08, .1)
BATCH = 64
torch.set_num_threads(2); torch.manual_seed(1); rng = np.random.default_rng(1)

documents = read(f'{OUT}/documents.jsonl') + read(f'{OUT}/drawn.jsonl')
trained = [d for d in documents if not is_held_out(d)]
vocabulary = Vocabulary(trained, VECTORS, json.load(open(f'{OUT}/lists.json')))
text, unseen, other = Text(trained, vocabulary), Text([d for d in documents if is_held_out(d)], vocabulary), Text(read(f'{OUT}/brown.jsonl'), vocabulary)
print('words', len(text.words), 'known by themselves', len(vocabulary.words), 'unknown elsewhere %.3f' % (other.words[:, 0] == 0).mean())


class Embedding(nn.Module):
    """What is known of a word: the published vector turned, what was learnt beside it, its ending, shape, lists, pauses."""
    def __init__(self):
        super().__init__()
        vectors = torch.tensor(vocabulary.vectors)
        self.register_buffer('published', vectors / vectors[vectors.abs().sum(1) > 0].std(), persistent=False)
        self.register_buffer('is_rare', torch.tensor(vocabulary.counts < 8), persistent=False)
        self.turn = nn.Linear(100, EMBEDDING, bias=False)
        self.own = nn.Embedding(len(vectors), EMBEDDING)
        self.ending, self.shape, self.lists = (nn.Embedding(n, EMBEDDING) for n in (len(vocabulary.endings) + 1, 16, LISTS))
        self.pauses = nn.Parameter(torch.randn(4, EMBEDDING) * .1)
        self.is_coarse = False  # whether words are counted in the 4 bits they are shipped in
        nn.init.normal_(self.turn.weight, 0, .03); nn.init.zeros_(self.own.weight)
        for table in (self.ending, self.shape, self.lists): nn.init.normal_(table.weight, 0, .1)

    def forward(self, number, ending, form, pause):
        own, published = self.own(number) * (~self.is_rare[number])[..., None], self.turn(self.published[number])
        if self.training:  # a word is now and then unknown, or known by its published vector alone
            luck = torch.rand(number.shape)[..., None]
            own, published = own * (luck > PUBLISHED), published * (luck > UNKNOWN)
        word = own + published
        if self.is_coarse:
            word = coarse(word)
        bits = ((form // 16)[..., None] >> torch.arange(LISTS)) & 1
        return word + self.ending(ending) + self.shape(form % 16) + bits.float() @ self.lists.weight + pause @ self.pauses

    def table(self):
        return self.own.weight * (~self.is_rare)[:, None] + self.turn(self.published)


def batches():
    """Windows of varied start, over and over."""
    weights = np.array([SPOKEN if genre == 'spoken' else DRAWN if genre == 'drawn' else weight(genre, name) for genre, name in text.of])
    while True:
        starts, of = order(text, weights, rng)
        for i in range(0, len(starts) - BATCH, BATCH): yield batch(text, starts[i:i + BATCH], of[i:i + BATCH], rng)


def train(net):
    runs, rest = [net.runs.weight], [p for n, p in net.named_parameters() if n != 'runs.weight']
    optimizer = torch.optim.AdamW([{'params': rest, 'weight_decay': .01}, {'params': runs, 'weight_decay': .03}], lr=RATE)
    smooth = {k: v.clone() for k, v in net.state_dict().items()}
    begun, loss_now = time.time(), 0
    for step, (number, ending, form, pause, words, marks, names) in enumerate(batches()):
        done = (time.time() - begun) / 60 / MINUTES
        if done >= 1: break
        for group in optimizer.param_groups: group['lr'] = RATE * min(1, step / 200) * (.5 * (1 + math.cos(math.pi * done)) + .01)
        net.train(); net.embedding.is_coarse = done > .5 or START is not None
        loss = loss_of(net(number, ending, form, pause, words), marks, names)
        optimizer.zero_grad(); loss.backward(); nn.utils.clip_grad_norm_(net.parameters(), 1.); optimizer.step()
        loss_now = .995 * loss_now + .005 * loss.item()
        if step % 10 == 0:
            for k, v in net.state_dict().items(): smooth[k].mul_(.98).add_(v, alpha=.02)
        if step % 400 == 0: print(step, 'loss %.4f' % (loss_now / (1 - .995 ** (step + 1))), '%.0f s' % (time.time() - begun), flush=True)
    net.load_state_dict(smooth)


net = Network(Embedding(), HIDDEN_FIRST, HIDDEN_LAST)
earlier = torch.load(f'{OUT}/{START}.pt') if START else None
if START: net.load_state_dict(earlier)
train(net)
if START: net.load_state_dict({k: (v + earlier[k]) / 2 for k, v in net.state_dict().items()})
torch.save(net.state_dict(), f'{OUT}/{NAME}.pt')
for name, of in (('unseen documents', unseen), ('other genres', other)):
    for with_pauses in (False, True): print(name, 'with pauses' if with_pauses else 'without', scores(*chances(net, of, with_pauses)), flush=True)
head = {'words': vocabulary.words, 'endings': vocabulary.endings, 'own': OWN, 'ownInWords': OWN_IN_WORDS,
        'blocks': [{'before': before, 'step': step} for before, _, step in BLOCKS], 'filters': json.load(open(f'{OUT}/filters.json'))}
export(f'{OUT}/{NAME}.bin', head, tables_of(net, net.embedding.table()), open(f'{OUT}/filters.bin', 'rb').read())
