package inkel.app.export.sheet;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;

/** A sheet as Markdown with tables. */
public final class SheetMd {
    private SheetMd() {}

    public static String of(Sheet sheet) {
        StringBuilder text = new StringBuilder();
        text.append("# ").append(escaped(sheet.title())).append("\n\n");
        text.append(escaped(sheet.under())).append("\n");
        for (Sheet.Block block : sheet.blocks()) {
            text.append('\n');
            if (block instanceof Sheet.Board board) {
                text.append("## ").append(escaped(board.name())).append("\n\n");
                text.append(escaped(board.about())).append('\n');
            } else if (block instanceof Sheet.Heading heading) {
                text.append("### ").append(escaped(heading.text())).append('\n');
            } else if (block instanceof Sheet.Text said) {
                text.append(said.isCaution() ? "> " : "")
                        .append(escaped(said.text()))
                        .append('\n');
            } else if (block instanceof Sheet.Table table) {
                table(text, table);
            } else if (block instanceof Sheet.Picture picture) {
                picture(text, picture);
            }
        }
        return text.toString();
    }

    private static void table(StringBuilder text, Sheet.Table table) {
        row(text, table.columns().stream().map(Sheet.Column::head).toList());
        row(
                text,
                table.columns().stream()
                        .map(column -> column.kind() == Sheet.Kind.NUMBER ? "--:" : "---")
                        .toList());
        for (List<String> cells : table.rows()) {
            StringBuilder line = new StringBuilder("|");
            for (int i = 0; i < cells.size(); i++) {
                boolean isTick = table.columns().get(i).kind() == Sheet.Kind.TICK;
                line.append(' ')
                        .append(isTick ? "\\[ \\]" : escaped(cells.get(i)))
                        .append(" |");
            }
            text.append(line).append('\n');
        }
    }

    /** The sides of the board as the sides of a table. */
    private static void picture(StringBuilder text, Sheet.Picture picture) {
        text.append(escaped(picture.top())).append("\n\n");
        row(text, List.of(" ", " ", " ", " "));
        row(text, List.of("--:", "--:", ":--", ":--"));
        for (Sheet.PinLine line : picture.lines()) {
            row(
                    text,
                    List.of(
                            pins(line.left(), Sheet.PinText::taken),
                            pins(line.left(), Sheet.PinText::name),
                            pins(line.right(), Sheet.PinText::name),
                            pins(line.right(), Sheet.PinText::taken)));
        }
    }

    private static String pins(List<Sheet.PinText> pins, Function<Sheet.PinText, String> what) {
        return pins.stream().map(what).map(SheetMd::escaped).collect(Collectors.joining(" / "));
    }

    private static void row(StringBuilder text, List<String> cells) {
        text.append(cells.stream().collect(Collectors.joining(" | ", "| ", " |")))
                .append('\n');
    }

    /** What the builder typed is text and nothing else. */
    static String escaped(String text) {
        return text.replaceAll("([\\\\`*_{}\\[\\]<>#|~&])", "\\\\$1").replaceAll("\\s*\\R\\s*", "<br>");
    }
}
