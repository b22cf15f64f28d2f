package inkel.app.cli;

import inkel.app.words.Words;
import inkel.core.catalog.CatalogSearch;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Lists or searches boards, modules and sources. */
@Command(name = "catalogue", description = "Lists the catalogue, or finds a part by its labels in any order.")
final class CatalogueCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "QUERY", arity = "0..*", description = "labels or words")
    private List<String> query = List.of();

    @Option(names = "--json", description = "print one JSON object")
    private boolean json;

    @Override
    public Integer call() {
        List<CatalogSearch.Hit> hits = new CatalogSearch(OwnCatalog.read()).find(String.join(" ", query));
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            Map<String, Object> answer = Json.object();
            answer.put("query", String.join(" ", query));
            answer.put("parts", hits.stream().map(CatalogueCommand::json).toList());
            out.println(Json.print(answer));
        } else {
            hits.forEach(hit -> out.printf(
                    "%-24s %-40s %s%n",
                    hit.cls().id(),
                    hit.cls().name(),
                    hit.matched().isEmpty() ? hit.cls().summary() : String.join(" ", hit.matched())));
        }
        if (hits.isEmpty()) {
            spec.commandLine().getErr().println(Words.get("cli.catalogue.none"));
        }
        return 0;
    }

    private static Map<String, Object> json(CatalogSearch.Hit hit) {
        PartClass cls = hit.cls();
        Map<String, Object> entry = Json.object();
        entry.put("id", cls.id());
        entry.put("name", cls.name());
        entry.put("kind", spelled(cls.kind()));
        entry.put("summary", cls.summary());
        entry.put("pins", cls.pins().stream().map(Pin::label).toList());
        entry.put("matched", hit.matched());
        entry.put("score", hit.score());
        return entry;
    }

    private static String spelled(Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT);
    }
}
