package taxon.wire;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.type;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.ByteArrayOutputStream;
import org.junit.jupiter.api.Test;

class WireArchitectureTest {
    private static final JavaClasses WIRE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("-tests.jar"))
            .importPackages("taxon.wire");

    private static final DescribedPredicate<JavaClass> SOCKETS_FILES_OR_LINKS = resideInAnyPackage(
                    "java.net..", "java.io..", "java.nio.channels..", "java.nio.file..", "taxon.wire..link..")
            .and(not(type(ByteArrayOutputStream.class)).as("but for memory"));

    @Test
    void codecsDoNoInputOrOutputAndKnowNoLink() {
        noClasses()
                .that()
                .resideInAnyPackage("taxon.wire..codec..", "taxon.wire.bytes..")
                .should()
                .dependOnClassesThat(SOCKETS_FILES_OR_LINKS)
                .check(WIRE);
    }

    @Test
    void theWireKnowsTheCoreAndNothingAbove() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("taxon.formats..", "taxon.app..", "taxon.simrig..", "org.springframework..")
                .check(WIRE);
    }

    @Test
    void thePackagesFormNoCycle() {
        slices().matching("taxon.wire.(**)").should().beFreeOfCycles().check(WIRE);
    }
}
