package inkel.app.export.sheet;

import com.lowagie.text.Chunk;
import com.lowagie.text.Document;
import com.lowagie.text.DocumentException;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.BaseFont;
import com.lowagie.text.pdf.PdfContentByte;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfPTableEvent;
import com.lowagie.text.pdf.PdfPageEventHelper;
import com.lowagie.text.pdf.PdfTemplate;
import com.lowagie.text.pdf.PdfWriter;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;

/** A sheet as PDF: black on white, fonts inside, big enough for a bench, every page with its number and how many there are. */
public final class SheetPdf {
    private static final float MARGIN = 40;
    private static final float FOOT = 56;
    private static final float CELL = 3.5f;
    private static final float LINE = 1.12f;
    private static final Color INK = Color.BLACK;
    private static final Color RULE = new Color(0x80, 0x80, 0x80);
    private static final Color HEAD = new Color(0xE8, 0xE8, 0xE8);
    private static final int FONT_ROOM = 400_000;

    private final Document document;
    private final PdfWriter writer;
    private final Font plain;
    private final Font bold;
    private final Font small;
    private final Font big;
    private final Font title;

    private SheetPdf(Rectangle page, ByteArrayOutputStream out) throws IOException {
        document = new Document(page, MARGIN, MARGIN, MARGIN, FOOT);
        writer = PdfWriter.getInstance(document, out);
        BaseFont regular = font("Inter-Regular.otf");
        BaseFont heavy = font("Inter-Bold.otf");
        plain = new Font(regular, 10.5f, Font.NORMAL, INK);
        small = new Font(regular, 9f, Font.NORMAL, INK);
        bold = new Font(heavy, 10.5f, Font.NORMAL, INK);
        big = new Font(heavy, 13f, Font.NORMAL, INK);
        title = new Font(heavy, 20f, Font.NORMAL, INK);
    }

    /** On A4, or on letter paper where that is what people have. */
    public static byte[] of(Sheet sheet) {
        boolean isLetter = List.of("US", "CA", "MX", "PH", "CL", "CO", "VE")
                .contains(Locale.getDefault().getCountry());
        return of(sheet, isLetter ? PageSize.LETTER : PageSize.A4);
    }

    static byte[] of(Sheet sheet, Rectangle page) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            new SheetPdf(page, out).print(sheet);
        } catch (IOException | DocumentException failed) {
            throw new IllegalStateException("the sheet cannot be printed", failed);
        }
        return out.toByteArray();
    }

    private static BaseFont font(String name) {
        try (InputStream file = SheetPdf.class.getResourceAsStream("/inkel/app/fonts/" + name)) {
            byte[] bytes = file.readNBytes(FONT_ROOM * 10);
            return BaseFont.createFont(name, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, true, bytes, null);
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    private void print(Sheet sheet) {
        writer.setPageEvent(new Footer(sheet));
        document.addTitle(sheet.title());
        document.open();
        document.add(new Paragraph(sheet.title(), title));
        document.add(spaced(new Paragraph(sheet.under(), plain), 2, 8));
        boolean isFirst = true;
        for (Sheet.Block block : sheet.blocks()) {
            if (block instanceof Sheet.Board board) {
                if (!isFirst) {
                    document.newPage();
                }
                isFirst = false;
                Paragraph name = new Paragraph(board.name(), new Font(title.getBaseFont(), 16f, Font.NORMAL, INK));
                document.add(spaced(name, 6, 0));
                document.add(spaced(new Paragraph(board.about(), plain), 0, 6));
            } else if (block instanceof Sheet.Heading heading) {
                // A heading alone at the foot of a page says nothing.
                if (writer.getVerticalPosition(false) < FOOT + 90) {
                    document.newPage();
                }
                document.add(spaced(new Paragraph(heading.text(), big), 12, 4));
            } else if (block instanceof Sheet.Text said) {
                document.add(said.isCaution() ? caution(said.text()) : new Paragraph(said.text(), plain));
            } else if (block instanceof Sheet.Table table) {
                document.add(table(table));
            } else if (block instanceof Sheet.Picture picture) {
                document.add(picture(picture));
            }
        }
        document.close();
    }

    private static Paragraph spaced(Paragraph paragraph, float before, float after) {
        paragraph.setSpacingBefore(before);
        paragraph.setSpacingAfter(after);
        return paragraph;
    }

    private PdfPTable caution(String text) {
        PdfPTable box = new PdfPTable(1);
        box.setWidthPercentage(100);
        box.setSpacingAfter(4);
        PdfPCell cell = new PdfPCell(new Phrase(text, bold));
        cell.setPadding(6);
        cell.setBorderWidth(1.2f);
        box.addCell(cell);
        return box;
    }

    /** The board between the names of its pins; a pin that is taken is black. */
    private PdfPTable picture(Sheet.Picture picture) {
        PdfPTable drawn = new PdfPTable(new float[] {44, 2.5f, 14, 2.5f, 44});
        drawn.setWidthPercentage(100);
        drawn.setKeepTogether(true);
        drawn.setSpacingAfter(8);
        drawn.addCell(bare(new Phrase("", small), Element.ALIGN_LEFT));
        PdfPCell top = bare(new Phrase(picture.top(), small), Element.ALIGN_CENTER);
        top.setColspan(3);
        drawn.addCell(top);
        drawn.addCell(bare(new Phrase("", small), Element.ALIGN_LEFT));
        for (Sheet.PinLine line : picture.lines()) {
            drawn.addCell(bare(pins(line.left(), true), Element.ALIGN_RIGHT));
            drawn.addCell(pad(line.left()));
            PdfPCell body = bare(new Phrase(" ", small), Element.ALIGN_LEFT);
            body.setBackgroundColor(HEAD);
            drawn.addCell(body);
            drawn.addCell(pad(line.right()));
            drawn.addCell(bare(pins(line.right(), false), Element.ALIGN_LEFT));
        }
        return drawn;
    }

    private static PdfPCell bare(Phrase phrase, int alignment) {
        PdfPCell cell = new PdfPCell(phrase);
        cell.setBorder(Rectangle.NO_BORDER);
        cell.setPadding(2);
        cell.setLeading(0, LINE);
        cell.setMinimumHeight(13);
        cell.setHorizontalAlignment(alignment);
        return cell;
    }

    /** What goes to a pin stands outside of its name. */
    private Phrase pins(List<Sheet.PinText> pins, boolean isLeft) {
        Phrase phrase = new Phrase();
        for (int i = 0; i < pins.size(); i++) {
            Sheet.PinText pin = pins.get(i);
            phrase.add(new Chunk(i == 0 ? "" : "  |  ", small));
            Chunk name = new Chunk(pin.name(), pin.taken().isEmpty() ? small : bold);
            Chunk taken = new Chunk(pin.taken(), small);
            Chunk between = new Chunk(pin.taken().isEmpty() ? "" : "   ", small);
            for (Chunk chunk : isLeft ? List.of(taken, between, name) : List.of(name, between, taken)) {
                phrase.add(chunk);
            }
        }
        return phrase;
    }

    private PdfPCell pad(List<Sheet.PinText> pins) {
        PdfPCell pad = new PdfPCell(new Phrase(" ", small));
        pad.setMinimumHeight(13);
        pad.setPadding(2);
        pad.setBorderColor(RULE);
        if (pins.isEmpty()) {
            pad.setBorder(Rectangle.NO_BORDER);
            pad.setBackgroundColor(HEAD);
        } else if (pins.stream().anyMatch(pin -> !pin.taken().isEmpty())) {
            pad.setBackgroundColor(INK);
        }
        return pad;
    }

    private PdfPTable table(Sheet.Table table) {
        float[] widths = new float[table.columns().size()];
        for (int i = 0; i < widths.length; i++) {
            widths[i] = table.columns().get(i).width();
        }
        PdfPTable drawn = new PdfPTable(widths);
        drawn.setWidthPercentage(100);
        drawn.setHeaderRows(1);
        drawn.setSplitRows(false);
        for (Sheet.Column column : table.columns()) {
            PdfPCell head = new PdfPCell(new Phrase(column.head(), bold));
            head.setBackgroundColor(HEAD);
            head.setPadding(CELL);
            head.setBorderColor(RULE);
            head.setHorizontalAlignment(column.kind() == Sheet.Kind.NUMBER ? Element.ALIGN_RIGHT : Element.ALIGN_LEFT);
            drawn.addCell(head);
        }
        for (List<String> row : table.rows()) {
            for (int i = 0; i < row.size(); i++) {
                drawn.addCell(cell(table.columns().get(i), row.get(i)));
            }
        }
        drawn.setTableEvent(new Ticks(table));
        return drawn;
    }

    private PdfPCell cell(Sheet.Column column, String text) {
        Phrase phrase = new Phrase();
        String[] lines = text.split("\n", -1);
        for (int i = 0; i < lines.length; i++) {
            phrase.add(new Chunk(i == 0 ? lines[i] : "\n" + lines[i], i == 0 ? plain : small));
        }
        PdfPCell cell = new PdfPCell(phrase);
        cell.setPadding(CELL);
        cell.setLeading(0, LINE);
        cell.setBorderColor(RULE);
        cell.setMinimumHeight(18);
        cell.setHorizontalAlignment(column.kind() == Sheet.Kind.NUMBER ? Element.ALIGN_RIGHT : Element.ALIGN_LEFT);
        return cell;
    }

    /** A box in every cell that is to be ticked off. */
    private record Ticks(Sheet.Table table) implements PdfPTableEvent {
        private static final float BOX = 10;

        @Override
        public void tableLayout(
                PdfPTable drawn,
                float[][] widths,
                float[] heights,
                int headerRows,
                int rowStart,
                PdfContentByte[] canvases) {
            PdfContentByte canvas = canvases[PdfPTable.LINECANVAS];
            for (int column = 0; column < table.columns().size(); column++) {
                if (table.columns().get(column).kind() != Sheet.Kind.TICK) {
                    continue;
                }
                for (int row = headerRows; row < widths.length; row++) {
                    float x = widths[row][column] + CELL;
                    float y = heights[row] - CELL - BOX;
                    canvas.setLineWidth(0.9f);
                    canvas.rectangle(x, y, BOX, BOX);
                    canvas.stroke();
                }
            }
        }
    }

    /** What build a page is of, and which of how many; that is known only at the end. */
    private final class Footer extends PdfPageEventHelper {
        private static final float TOTAL_WIDTH = 30;

        private final Sheet sheet;
        private PdfTemplate total;

        Footer(Sheet sheet) {
            this.sheet = sheet;
        }

        @Override
        public void onOpenDocument(PdfWriter opened, Document of) {
            total = opened.getDirectContent().createTemplate(TOTAL_WIDTH, 14);
        }

        @Override
        public void onEndPage(PdfWriter ended, Document of) {
            PdfContentByte canvas = ended.getDirectContent();
            BaseFont base = small.getBaseFont();
            float y = FOOT - 26;
            String page = Words.say(Fact.of("sheet.page").with("page", ended.getPageNumber()));
            float right = of.right() - TOTAL_WIDTH;
            canvas.beginText();
            canvas.setFontAndSize(base, small.getSize());
            canvas.showTextAligned(Element.ALIGN_LEFT, sheet.title() + ", " + sheet.under(), of.left(), y, 0);
            canvas.showTextAligned(Element.ALIGN_RIGHT, page, right, y, 0);
            canvas.endText();
            canvas.addTemplate(total, right + 3, y);
        }

        @Override
        public void onCloseDocument(PdfWriter closed, Document of) {
            total.beginText();
            total.setFontAndSize(small.getBaseFont(), small.getSize());
            total.showTextAligned(Element.ALIGN_LEFT, String.valueOf(closed.getPageNumber() - 1), 0, 0, 0);
            total.endText();
        }
    }
}
