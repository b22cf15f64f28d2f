package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.io.document.PlanHash;
import inkel.core.loop.NodeLoop;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.tune.code.CodeConstants;
import java.util.Locale;
import java.util.Optional;

/** The constants of one board as a file of code: {@code pins.h} for C++, {@code pins.py} for Python. */
public final class ConstantsFile {
    private ConstantsFile() {}

    /** @param language of the board, which says how a pin is called */
    public static String of(Build build, NodeCircuit node, Optional<NodeLoop> loop, Language language) {
        boolean isCpp = language.name() == Language.Name.CPP;
        ProgramText text = isCpp ? ProgramText.CPP : ProgramText.PYTHON;
        StringBuilder file = new StringBuilder();
        file.append(text.remarks(Words.say(
                        Fact.of("code.head").with("name", node.node().name()).with("build", build.name()))))
                .append("\n");
        if (isCpp) {
            file.append("#pragma once\n");
        }
        file.append("\n").append(line(isCpp, "PLAN", ProgramText.quoted(PlanHash.of(build)), Words.get("code.plan")));
        for (CodeConstants.Entry entry : CodeConstants.of(node, loop)) {
            String value = entry.pin()
                    .map(pin -> called(isCpp, language, pin))
                    .orElse(entry.constant().value());
            file.append(line(isCpp, entry.constant().name(), value, about(entry)));
        }
        return file.toString();
    }

    private static String about(CodeConstants.Entry entry) {
        Optional<Object> source = Optional.ofNullable(entry.about().values().get("source"));
        return Words.say(source.filter(Source.class::isInstance)
                .map(known -> entry.about()
                        .with("source", Words.get("source." + known.toString().toLowerCase(Locale.ROOT))))
                .orElse(entry.about()));
    }

    /** In Python a pin is a number here: what is made of it hangs on the program. */
    private static String called(boolean isCpp, Language language, Pin pin) {
        if (isCpp) {
            return language.call(pin);
        }
        return pin.number().matches("[0-9]+") ? pin.number() : ProgramText.quoted(pin.label());
    }

    private static String line(boolean isCpp, String name, String value, String about) {
        if (!isCpp) {
            return name + " = " + value.replace('{', '(').replace('}', ')') + "  # " + ProgramText.calm(about) + "\n";
        }
        String type = value.startsWith("\"")
                ? "const char " + name + "[]"
                : value.startsWith("{") ? "const int " + name + "[]" : type(value) + " " + name;
        return "static " + type + " = " + value + ";  // " + ProgramText.calm(about) + "\n";
    }

    private static String type(String value) {
        return value.matches("-?[0-9]+\\.[0-9]+")
                ? "const double"
                : value.matches("-?[0-9]{5,}") ? "const long" : "const int";
    }
}
