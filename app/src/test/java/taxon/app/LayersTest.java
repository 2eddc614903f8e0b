package taxon.app;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.Architectures;
import org.junit.jupiter.api.Test;
import taxon.app.edit.JobEditor;
import taxon.app.store.LibraryStore;
import taxon.app.store.PlanStore;

/** Rooms and walls: what may know what. */
class LayersTest {
    /** All but the core, which knows nothing of these: CoreArchitectureTest sees to that. */
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("-tests.jar"))
            .importPackages("taxon.app", "taxon.demo", "taxon.formats", "taxon.simrig", "taxon.wire");

    @Test
    void modulesKnowOnlyWhatTheyStandOn() {
        Architectures.layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("demo")
                .definedBy("taxon.demo..")
                .layer("formats")
                .definedBy("taxon.formats..")
                .layer("wire")
                .definedBy("taxon.wire..")
                .layer("simrig")
                .definedBy("taxon.simrig..")
                .layer("app")
                .definedBy("taxon.app..")
                .whereLayer("app")
                .mayNotBeAccessedByAnyLayer()
                .whereLayer("demo")
                .mayOnlyBeAccessedByLayers("app")
                .whereLayer("simrig")
                .mayOnlyBeAccessedByLayers("app")
                .whereLayer("wire")
                .mayOnlyBeAccessedByLayers("app", "simrig")
                .whereLayer("formats")
                .mayOnlyBeAccessedByLayers("app")
                .check(ALL);
    }

    @Test
    void packagesOfTheApplicationFormNoCycle() {
        slices().matching("taxon.app.(*)..").should().beFreeOfCycles().check(ALL);
    }

    @Test
    void stagesDoNotReachIntoEachOther() {
        for (String stage : new String[] {"job", "rig", "types", "addresses", "network", "checks"}) {
            noClasses()
                    .that()
                    .resideOutsideOfPackage("taxon.app." + stage + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAPackage("taxon.app." + stage + "..")
                    .check(ALL);
        }
    }

    @Test
    void onlyTheEditorWritesPlans() {
        classes()
                .that()
                .areAssignableTo(PlanStore.class)
                .should()
                .onlyHaveDependentClassesThat()
                .areAssignableTo(JobEditor.class)
                .orShould()
                .onlyHaveDependentClassesThat()
                .resideInAnyPackage("taxon.app.edit", "taxon.app.store")
                .check(ALL);
    }

    @Test
    void onlyTheLibraryWritesTheLibrary() {
        classes()
                .that()
                .areAssignableTo(LibraryStore.class)
                .should()
                .onlyHaveDependentClassesThat()
                .resideInAnyPackage("taxon.app.library", "taxon.app.store", "taxon.app.types")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("taxon.app.types..")
                .should()
                .callMethodWhere(target(owner(assignableTo(LibraryStore.class))))
                .check(ALL);
    }

    @Test
    void sqlStaysInTheStoreAndSocketsStayInLinks() {
        noClasses()
                .that()
                .resideOutsideOfPackage("taxon.app.store..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.sql..", "javax.sql..", "org.apache.ibatis..")
                .check(ALL);
        noClasses()
                .that()
                .resideOutsideOfPackages("taxon.wire..link..")
                .should()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.net.DatagramSocket")
                .check(ALL);
    }
}
