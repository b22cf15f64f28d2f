package inkel.app.ui.power;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.remedy.RailLeads;
import java.util.Comparator;
import javafx.geometry.Pos;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Supplies, batteries and regulators of the catalogue, to put one on the table. */
final class SupplyChooser extends VBox {
    private static final double WIDTH = 186;

    private final Session session;
    private final Runnable close;
    private final FlowPane tiles = new FlowPane(8, 8);
    private final FlowPane leads = new FlowPane(8, 8);
    private final Caption leadsTitle = Ui.word(Words.get("power.add.leads"), "section-title");

    SupplyChooser(Session session, Runnable close) {
        this.session = session;
        this.close = close;
        setId("supply-chooser");
        getStyleClass().add("sheet");
        setSpacing(8);
        Tile leave = Ui.pill("supply-leave", Words.get("power.add.close"), close);
        HBox head = new HBox(10, Ui.word(Words.get("power.add.title"), "section-title"), Ui.spring(), leave);
        head.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(head, tiles, leadsTitle, leads);
    }

    /** Lists what the catalogue has now. */
    void show() {
        tiles.getChildren().clear();
        session.catalog().all().stream()
                .filter(SupplyChooser::givesPower)
                .sorted(Comparator.comparing(PartClass::kind).reversed())
                .map(this::tile)
                .forEach(tiles.getChildren()::add);
        leads.getChildren().clear();
        Assessment assessment = session.assessmentProperty().get();
        assessment
                .circuit(session.nodeProperty().get())
                .ifPresent(to -> RailLeads.offers(assessment.reports().circuit(), to).stream()
                        .map(this::tile)
                        .forEach(leads.getChildren()::add));
        Ui.show(leadsTitle, !leads.getChildren().isEmpty());
        Ui.show(leads, !leads.getChildren().isEmpty());
    }

    private Tile tile(Fix lead) {
        return tile("supply-" + lead.id(), Words.say(lead.title()), Words.say(lead.cost()), () -> session.apply(lead));
    }

    private static boolean givesPower(PartClass cls) {
        boolean isMade = cls.outputs().stream().anyMatch(output -> output.way() != Output.Way.PASS);
        return cls.kind() != Kind.BOARD && isMade && !Settings.RAIL.suits().test(cls);
    }

    private Tile tile(PartClass cls) {
        Output output = cls.outputs().get(0);
        String figures = Words.say(Fact.of("power.add.figures")
                .with(
                        "volts",
                        output.volts()
                                .map(volts -> Numbers.print(volts.range().expected()))
                                .orElse(""))
                .with("rating", output.rating().range().lowest()));
        return tile(
                "supply-" + cls.id(), cls.name(), figures, () -> session.parts().add(cls, 1));
    }

    private Tile tile(String id, String title, String figures, Runnable take) {
        VBox texts = new VBox(2, Ui.text(title, "choice-title"), Ui.text(figures, "quiet", "small"));
        Tile tile = new Tile(
                () -> {
                    take.run();
                    close.run();
                },
                texts,
                Pos.TOP_LEFT,
                "choice");
        tile.setId(id);
        tile.setAccessibleText(title);
        tile.setMinWidth(WIDTH);
        tile.setPrefWidth(WIDTH);
        tile.setMaxWidth(WIDTH);
        return tile;
    }
}
