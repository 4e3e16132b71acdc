// Talks of the Larkfield kind, made of patterns of our own: how people explain things and ask about them. They are
// for training only; no test or benchmark holds a word of them.

const LISTS: Record<string, string> = {
  thing:
    'lamp|blade|chair|radio|kettle|seat|cord|plug|switch|fuse|joint|drawer|window|door|frame|bicycle|chain|wheel|brake|clock|spring|toaster|jacket|zip|button|seam|pocket|boot|sole|pan|handle|saw|chisel|plane|stone|bucket|hinge|lock|key|pump|tap|pipe|hose|bulb|speaker|battery|heater|iron|mixer|table|leg|rail|cushion|curtain|rug|basket|ladder|shelf|box|lid|jar|bottle|cup|plate|bowl|board|screen|cable|printer|keyboard|camera|phone|bag|strap|belt|tent|umbrella|garden|hedge|fence|gate|shed|roof|gutter|wall|floor|tile|paint|brush|roller|tin|budget|meeting|plan|project|report|question|recipe|lesson|class|book|song|story|letter|photo|map|trip|bus|train|market|shop|kitchen|workshop|hall',
  stuff:
    'glue|oil|wax|water|paint|sandpaper|wire|thread|cloth|wood|steel|brass|leather|cane|dust|rust|grease|soap|varnish|putty|felt|tape|foam|paper|money|time|light|heat|help|practice|patience|advice|data|space|noise',
  do: 'fix|mend|clean|open|close|turn|check|measure|cut|sand|glue|oil|paint|test|try|move|lift|hold|press|pull|push|take|keep|use|find|change|replace|tighten|loosen|wash|dry|soak|sharpen|fold|mark|carry|count|write|read|send|ask|bring|build|sell|buy|repair|finish|start|stop|save|share|show|explain|learn|teach|watch|cook|plant|pick|plan|design|order',
  did: 'fixed|mended|cleaned|opened|closed|turned|checked|measured|cut|sanded|glued|oiled|painted|tested|tried|moved|lifted|held|pressed|pulled|pushed|took|kept|used|found|changed|replaced|washed|dried|sharpened|folded|marked|counted|wrote|read|sent|asked|brought|built|sold|bought|repaired|finished|started|stopped|saved|shared|showed|explained|learned|watched',
  adj: 'old|new|small|big|heavy|light|cheap|good|bad|loose|tight|dry|wet|warm|cold|clean|dirty|sharp|blunt|broken|simple|difficult|easy|quick|slow|strong|weak|thin|thick|long|short|early|late|careful|useful|safe|dangerous|beautiful|ready|wrong|right|worried|happy|tired|surprised|quiet|noisy',
  who: 'my neighbour|a friend of mine|my mother|one of our volunteers|the man at the door|a woman from the village|my brother|somebody|everybody|nobody|the customer|the teacher|the whole group|our treasurer|a visitor|the driver|my first boss|the family next door|some people|most people|a lot of people',
  when: 'last week|yesterday|this morning|in the spring|a few years ago|every evening|on Tuesday|at the weekend|next month|after lunch|before the meeting|in the end|at first|most of the time|once in a while|these days|tomorrow|two days later|at the moment|in winter',
  where:
    'in the hall|at home|on the bench|under the table|in the kitchen|next to the door|at the back|on the shelf|in the garden|down the road|in town|at the front|behind the counter|by the window|out in the yard|on the left',
  name: 'Odile|Mira|Joss|Wilf|Tamsin|Berit|Anselm|Petra|Corin|Dagny|Ivo|Lotte|Ruben|Sunniva|Marek|Elin|Hattie|Pascal|Nuria|Tobias',
  place: 'Larkfield|Brockmere|Hallow Green|Westerby|Thornham|Pell Street|Mill Lane|Saint Olave|Ostwick|Fernley',
  number: 'two|three|four|five|six|ten|twelve|twenty|thirty|a hundred|fifteen|half a dozen',
  unit: 'minutes|hours|days|weeks|months|years|metres|inches|people|pounds|times|pieces',
};
const WORDS = Object.fromEntries(Object.entries(LISTS).map(([name, list]) => [name, list.split('|')]));

const STATEMENTS = `
So the first thing you do is {do} the {thing}.
The {thing} was {adj} and the {thing} was {adj}, so we {did} it {when}.
You take the {thing}, you {do} it, and then you {do} the {thing}.
If the {thing} is {adj}, you can {do} it {where}.
When you {do} the {thing}, it gets {adj}.
I think the {thing} is the {adj} part.
I don't know why, but {who} always {did} the {thing} first.
That's the {adj} way to {do} it.
There's a {adj} {thing} {where}, and there's some {stuff} next to it.
It took us about {number} {unit}.
We had {number} of them {where}, and {name} {did} every one.
{name} came in {when} with a {adj} {thing}.
Now, this is the part that {who} gets wrong.
And that's it.
That's all there is to it.
You don't need much {stuff}.
You'll want a {thing}, a {thing} and a {thing}.
It isn't {adj}, it's just {adj}.
Well, it depends on the {thing}.
I {did} it {when}, and it still works.
{who} told me that you should never {do} a {adj} {thing}.
Let's start with the {thing}.
Then we {do} the {thing} and wait for {number} {unit}.
Once the {stuff} is {adj}, {do} the {thing} again.
Don't {do} it yet.
{do} the {thing} slowly, and keep an eye on the {stuff}.
Make sure that the {thing} is {adj} before you {do} it.
Because if you don't, the {thing} will be {adj}.
I was {adj}, to be honest.
We were {adj}, but we {did} it anyway.
The reason is that the {stuff} gets {adj}.
It was {name} who {did} the {thing} {where}.
She said it was {adj}, and he said it was {adj}.
They {did} the {thing}, and {when} they came back.
What I like about it is that it's {adj}.
What you need is {stuff}.
How you {do} it doesn't matter much.
Where it goes is up to you.
People ask me why I {do} it {where}.
I'll show you how to {do} a {thing}.
The second thing is the {thing}.
The last one is about {stuff}.
Before you {do} anything, {do} the {thing}.
After that, the {thing} is {adj}.
For example, {who} {did} a {thing} with {stuff} {when}.
As you know, we are in {place} now.
We moved to {place} {when}, and {name} stayed in {place}.
Thank you all for coming.
Thank you, {name}.
Yes, you can.
No, I wouldn't.
Yes, that's right.
Okay, so that's the {thing} done.
Right, let's go on.
By the way, the {thing} is {where}.
Of course, not every {thing} is {adj}.
However, the {thing} has to be {adj}.
It's {adj}, isn't it, but it works.
Some of them are {adj}, and some of them aren't.
You can use a {thing} or a {thing}, whichever is {adj}.
I've got a {thing} here that {who} {did}.
We've been doing this for {number} {unit}.
He had never {did} a {thing} before, so he was {adj}.
The more you {do} it, the {adj} it gets.
It's not the {thing} that matters, it's the {stuff}.
This one here, the {adj} one, is from {place}.
There are {number} kinds of {thing}.
One is {adj}, the other is {adj}.
Nobody knew where the {thing} came from.
I remember that {who} {did} it {where}.
In my view, that's too {adj}.
`;
const QUESTIONS = `
What do you do if the {thing} is {adj}?
How do you {do} a {thing}?
How long does it take?
How long does it take to {do} a {thing}?
How much {stuff} do you need?
How many {unit} is that?
How often should I {do} it?
Can I {do} it {where}?
Can you {do} the {thing} with {stuff}?
Could you {do} it again, please?
Do you {do} the {thing} first, or the {thing}?
Do I need {stuff} for that?
Does it have to be {adj}?
Does anybody know how to {do} this?
Did you {do} it yourself?
Is it {adj}?
Is that the {adj} one?
Is there any {stuff} left?
Are there any questions?
Are you {adj}?
Are they all {adj}?
Was it {adj} {when}?
Were you there {when}?
Why is the {thing} {adj}?
Why did {name} {do} it {where}?
Why would you {do} that?
Where do you get the {stuff}?
Where is the {thing}?
Where did you find it?
When should I {do} the {thing}?
When did that happen?
Who {did} the {thing}?
Who can tell me what this is?
Which {thing} would you use?
Which one is {adj}?
What is it?
What's that for?
What happens then?
What happens if I {do} it?
What did {who} say?
What about the {thing}?
What about {stuff}?
What kind of {thing} is it?
So what does that mean?
So why do we {do} it?
And what do you do then?
And how do you know that it's {adj}?
But what if it's {adj}?
Should I {do} it?
Should we {do} it now?
Would you {do} it {where}?
Would that work with a {thing}?
Will it be {adj}?
Will you be there {when}?
Have you ever {did} a {thing}?
Has anyone got a {thing}?
Isn't that {adj}?
It's {adj}, isn't it?
You can {do} it, can't you?
That's {adj}, right?
Do you know why?
Do you know what I mean?
Do you remember the {thing}?
Shall we go on?
You mean the {thing}?
Really?
And then?
`;

const [statements, questions] = [STATEMENTS, QUESTIONS].map((list) => list.trim().split('\n')) as [string[], string[]];

/** A talk of some hundred sentences; the same number gives the same talk. */
export function talk(seed: number): string {
  let state = seed * 2_654_435_761 + 1;
  const random = () => {
    state = (Math.imul(state ^ (state >>> 15), 2_246_822_519) + 1_597_334_677) >>> 0;
    return ((state ^ (state >>> 13)) >>> 0) / 2 ** 32;
  };
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const fill = (pattern: string) => {
    const said = pattern.replace(/\{(\w+)\}/g, (_, name: string) => one(WORDS[name]!));
    return said.charAt(0).toUpperCase() + said.slice(1);
  };
  const paragraphs = Array.from({ length: 25 }, () =>
    Array.from({ length: 2 + Math.floor(random() * 6) }, () => fill(one(random() < 0.22 ? questions : statements))).join(' '),
  );
  return paragraphs.join('\n\n');
}
