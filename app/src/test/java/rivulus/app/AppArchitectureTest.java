package rivulus.app;

import static com.tngtech.archunit.base.DescribedPredicate.describe;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import javafx.scene.Node;
import rivulus.chart.Chart;
import rivulus.chart.Courses;
import rivulus.chart.KnobSheet;
import rivulus.chart.RigDrawing;
import rivulus.chart.RigPages;
import rivulus.chart.Ruler;
import rivulus.check.Failure;
import rivulus.leads.Joiner;
import rivulus.remedy.Remedies;

/// The rooms of the window: stages know the session and each other not, the shell knows them all;
/// and what is a picture on the screen works nothing out.
@AnalyzeClasses(packages = "rivulus.app", importOptions = ImportOption.DoNotIncludeTests.class)
class AppArchitectureTest {
    private static final List<Class<?>> WORKS =
            List.of(
                    Chart.class,
                    Failure.class,
                    KnobSheet.class,
                    RigDrawing.class,
                    Ruler.class,
                    Remedies.class);

    private static final String[] STAGES = {"brief", "mixes", "rig", "bench", "intake", "plan"};

    @ArchTest
    static final ArchRule arrowsPointDown =
            layeredArchitecture()
                    .consideringOnlyDependenciesInLayers()
                    .layer("look")
                    .definedBy("rivulus.app.look")
                    .layer("session")
                    .definedBy("rivulus.app.session")
                    .layer("form")
                    .definedBy("rivulus.app.form")
                    .layer("stage")
                    .definedBy("rivulus.app.stage")
                    .layer("stages")
                    .definedBy(
                            "rivulus.app.brief",
                            "rivulus.app.mixes",
                            "rivulus.app.rig",
                            "rivulus.app.bench",
                            "rivulus.app.intake",
                            "rivulus.app.plan")
                    .layer("shell")
                    .definedBy("rivulus.app.shell")
                    .layer("start")
                    .definedBy("rivulus.app")
                    .whereLayer("start")
                    .mayNotBeAccessedByAnyLayer()
                    .whereLayer("shell")
                    .mayOnlyBeAccessedByLayers("start")
                    .whereLayer("stages")
                    .mayOnlyBeAccessedByLayers("shell", "start")
                    .whereLayer("stage")
                    .mayOnlyBeAccessedByLayers("stages", "shell", "start")
                    .whereLayer("form")
                    .mayOnlyBeAccessedByLayers("stages", "shell", "start")
                    .whereLayer("session")
                    .mayOnlyBeAccessedByLayers("stage", "stages", "shell", "start")
                    .whereLayer("look")
                    .mayOnlyBeAccessedByLayers("session", "form", "stages", "shell", "start");

    @ArchTest
    static final ArchRule stagesDoNotKnowEachOther =
            slices().matching("rivulus.app.(*)..").should().beFreeOfCycles();

    @ArchTest
    static void noStageUsesAnother(JavaClasses classes) {
        for (String one : STAGES)
            for (String other : STAGES)
                if (!one.equals(other))
                    noClasses()
                            .that()
                            .resideInAPackage("rivulus.app." + one)
                            .should()
                            .dependOnClassesThat()
                            .resideInAPackage("rivulus.app." + other)
                            .check(classes);
    }

    /// What is worked out, and by whose static methods: a view hands that to a record of its own,
    /// which is drawn up elsewhere.
    @ArchTest
    static final ArchRule whatIsOnTheScreenWorksNothingOut =
            noClasses()
                    .that()
                    .areAssignableTo(Node.class)
                    .should()
                    .callMethodWhere(
                            describe(
                                    "works something out",
                                    call ->
                                            call.getName().equals("of")
                                                    && WORKS.stream()
                                                            .anyMatch(
                                                                    call.getTargetOwner()
                                                                            ::isEquivalentTo)))
                    .orShould()
                    .dependOnClassesThat()
                    .belongToAnyOf(Courses.class, Joiner.class, RigPages.class);
}
