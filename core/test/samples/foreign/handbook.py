from reportlab.lib.pagesizes import A4
from reportlab.platypus import *
from reportlab.platypus.tableofcontents import TableOfContents
from reportlab.lib.styles import getSampleStyleSheet
st = getSampleStyleSheet()
class Doc(BaseDocTemplate):
    def __init__(self, f):
        super().__init__(f, pagesize=A4, title="The winter handbook")
        self.addPageTemplates(PageTemplate(frames=[Frame(72,72,450,690)], onPage=self.head))
    def head(self, c, d):
        c.setFont('Helvetica', 9); c.drawString(72, 800, 'The winter handbook'); c.drawRightString(522, 40, f'Page {d.page}')
    def afterFlowable(self, f):
        if f.__class__.__name__ == 'Paragraph' and f.style.name in ('Heading1','Heading2'):
            self.notify('TOCEntry', (int(f.style.name[-1])-1, f.getPlainText(), self.page))
body = [Paragraph('The winter handbook', st['Title']), TableOfContents(), PageBreak()]
for t in ['Wicks', 'Stones', 'Chairs']:
    body += [Paragraph(t, st['Heading1'])]
    for k in range(2):
        body += [Paragraph(f'{t} part {k+1}', st['Heading2']), Paragraph((f'{t} are kept dry over the winter, in a box with a lid, and are looked at once a month by whoever has the key; what is wet is dried, and what is split is thrown away at once. ')*4, st['BodyText']), ListFlowable([ListItem(Paragraph('Look at them', st['BodyText'])), ListItem(Paragraph('Write it down', st['BodyText']))], bulletType='bullet')]
    body += [PageBreak()]
Doc('reportlab.pdf').multiBuild(body)
