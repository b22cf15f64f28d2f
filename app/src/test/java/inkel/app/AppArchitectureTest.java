package inkel.app;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethodCall;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Holds which room of the app may know which; {@code docs/architecture.md} shows the same as a table. */
@AnalyzeClasses(packages = "inkel.app", importOptions = ImportOption.DoNotIncludeTests.class)
class AppArchitectureTest {
    private static final String HOME = "inkel.app.";
    private static final String CORE = "inkel.core..";

    /** Stages, each a room of its own; they do not know each other. */
    private static final List<String> STAGES =
            List.of("parts", "power", "levels", "pins", "wire", "wake", "tune", "log", "start");

    /** A room and the rooms that it may know; all but the first two may know the core. */
    private static final List<List<String>> ROOMS = List.of(
            List.of("ui.kit"),
            List.of("words"),
            List.of("csv"),
            List.of("about"),
            List.of("line"),
            List.of("lane", "words"),
            List.of("store", "words", "csv", "line", "lane"),
            List.of("state", "words", "csv", "line", "lane", "store"),
            List.of("export", "words", "state", "csv", "ui.kit", "ui.pins", "ui.power"),
            List.of("cli", "words", "lane", "store", "state", "export", "about"),
            List.of("ui.ends", "words", "ui.kit"),
            List.of("ui.why", "words", "lane", "store", "state", "ui.kit"),
            List.of("ui.stage", "words", "lane", "store", "state", "ui.kit", "ui.why"),
            List.of("ui.help", "words", "lane", "store", "state", "about", "ui.kit"),
            List.of("ui.take", "words", "lane", "store", "state", "export", "ui.kit"),
            List.of("ui.reckon", "words", "lane", "store", "state", "ui.kit"),
            List.of("ui.frame", "words", "lane", "store", "state", "export", "ui"));

    /** What turns amounts into other amounts. */
    private static final Set<String> ARITHMETIC = Set.of("plus", "minus", "times", "dividedBy", "parallelTo");

    private static String[] packages(Stream<String> rooms) {
        return rooms.map(room -> HOME + room + "..").toArray(String[]::new);
    }

    @ArchTest
    static void everyPackageHasItsPlace(JavaClasses all) {
        Stream<String> known = Stream.concat(
                ROOMS.stream().map(room -> room.get(0)), STAGES.stream().map(stage -> "ui." + stage));
        classes()
                .that()
                .resideOutsideOfPackage("inkel.app")
                .should()
                .resideInAnyPackage(packages(known))
                .check(all);
    }

    @ArchTest
    static void aRoomKnowsOnlyWhatItIsGiven(JavaClasses all) {
        for (List<String> room : ROOMS) {
            boolean isKit = room.get(0).equals("ui.kit");
            DescribedPredicate<com.tngtech.archunit.core.domain.JavaClass> given =
                    resideInAnyPackage(packages(room.stream()));
            DescribedPredicate<com.tngtech.archunit.core.domain.JavaClass> outside =
                    isKit ? resideOutsideOfPackage("inkel..") : resideOutsideOfPackage("inkel.app..");
            classes()
                    .that()
                    .resideInAPackage(HOME + room.get(0) + "..")
                    .should()
                    .onlyDependOnClassesThat(given.or(outside))
                    .check(all);
        }
    }

    @ArchTest
    static void aStageKnowsTheRoomsBelowAndNoOther(JavaClasses all) {
        for (String stage : STAGES) {
            Stream<String> given = Stream.of(
                    "words",
                    "lane",
                    "store",
                    "state",
                    "line",
                    "ui.kit",
                    "ui.ends",
                    "ui.why",
                    "ui.stage",
                    "ui." + stage);
            classes()
                    .that()
                    .resideInAPackage(HOME + "ui." + stage + "..")
                    .should()
                    .onlyDependOnClassesThat(
                            resideInAnyPackage(packages(given)).or(resideOutsideOfPackage("inkel.app..")))
                    .allowEmptyShould(true)
                    .check(all);
        }
    }

    @ArchTest
    static final ArchRule NO_CIRCLES =
            slices().matching("inkel.app.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule THE_STATE_HAS_NO_LOOKS = noClasses()
            .that()
            .resideInAnyPackage(
                    "inkel.app.lane..",
                    "inkel.app.store..",
                    "inkel.app.state..",
                    "inkel.app.words..",
                    "inkel.app.cli..",
                    "inkel.app.export..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("javafx.scene..", "javafx.stage..", "javafx.application..");

    @ArchTest
    static final ArchRule VIEWS_USE_NO_FORMULAS = noClasses()
            .that()
            .resideInAPackage("inkel.app.ui..")
            .should()
            .dependOnClassesThat(resideInAPackage("inkel.core.formula..")
                    .and(DescribedPredicate.describe(
                            "are more than a verdict and its figures",
                            type -> !type.isEquivalentTo(LevelCheck.class)
                                    && !type.isEquivalentTo(LevelCheck.Side.class)
                                    && !type.isEquivalentTo(Verdict.class))));

    @ArchTest
    static final ArchRule VIEWS_DO_NO_ELECTRICAL_ARITHMETIC = noClasses()
            .that()
            .resideInAPackage("inkel.app.ui..")
            .should()
            .callMethodWhere(DescribedPredicate.<JavaMethodCall>describe(
                    "an amount is worked out of others",
                    call -> call.getTargetOwner().getPackageName().equals("inkel.core.quantity")
                            && ARITHMETIC.contains(call.getName())));

    @ArchTest
    static final ArchRule ONLY_THE_LINE_KNOWS_PORTS = noClasses()
            .that()
            .resideOutsideOfPackage("inkel.app.line..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("com.fazecast..");

    @ArchTest
    static final ArchRule ONLY_THE_COMMAND_LINE_KNOWS_JSON = noClasses()
            .that()
            .resideOutsideOfPackage("inkel.app.cli..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("com.fasterxml..", "picocli..");
}
