package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.checks.Reports;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.formula.PacketLayout;
import inkel.core.io.document.PlanHash;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.tune.Constant;
import inkel.core.tune.code.CodeConstants;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.radio.RadioReport;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The constants of one board as a file of code: {@code pins.h} for C++, {@code pins.py} for Python. */
public final class ConstantsFile {
    private ConstantsFile() {}

    /** @param language of the board, which says how a pin is called */
    public static String of(Build build, NodeCircuit node, Reports reports, Language language) {
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
        for (CodeConstants.Entry entry : CodeConstants.of(
                node, reports.pins(), reports.loops().node(node.node().id()), reports.radios())) {
            String value = entry.pin()
                    .map(pin -> called(isCpp, language, pin))
                    .orElse(entry.constant().value());
            file.append(line(isCpp, entry.constant().name(), value, about(entry)));
        }
        packets(isCpp, node, reports.radios(), file);
        return file.toString();
    }

    /** What is in a packet, laid out as this board lays it out. */
    private static void packets(boolean isCpp, NodeCircuit node, RadioReport radios, StringBuilder file) {
        for (RadioNet net : radios.nets()) {
            List<End> here = net.ends().stream()
                    .filter(end -> end.node().filter(node::equals).isPresent())
                    .toList();
            if (here.isEmpty() || net.fields().isEmpty()) {
                continue;
            }
            PacketLayout layout = net.layout(here.get(0));
            String about = Words.say(
                    Fact.of("code.packet").with("group", net.group().name()).with("bytes", layout.bytes()));
            String name = Constant.identifier(net.group().name(), "PACKET");
            if (isCpp) {
                file.append("\n#include <stdint.h>\n\n// ")
                        .append(ProgramText.calm(about))
                        .append("\nstruct ")
                        .append(name)
                        .append(" {\n");
                net.fields().forEach(field -> file.append("    ")
                        .append(
                                field.sort() == PacketLayout.Sort.ENUM
                                        ? "int"
                                        : field.sort().text())
                        .append(" ")
                        .append(field.name())
                        .append(field.count() > 1 ? "[" + field.count() + "]" : "")
                        .append(";\n"));
                file.append("};\n");
            } else {
                file.append(line(
                        false, name, ProgramText.quoted(layout.pack(here.get(0).board())), about));
            }
        }
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
