package dev.deftchisel.cli.text;

import com.contrastsecurity.sarif.ArtifactLocation;
import com.contrastsecurity.sarif.Location;
import com.contrastsecurity.sarif.Message;
import com.contrastsecurity.sarif.MultiformatMessageString;
import com.contrastsecurity.sarif.PhysicalLocation;
import com.contrastsecurity.sarif.PropertyBag;
import com.contrastsecurity.sarif.Region;
import com.contrastsecurity.sarif.ReportingConfiguration;
import com.contrastsecurity.sarif.ReportingDescriptor;
import com.contrastsecurity.sarif.Result;
import com.contrastsecurity.sarif.Run;
import com.contrastsecurity.sarif.SarifSchema210;
import com.contrastsecurity.sarif.Tool;
import com.contrastsecurity.sarif.ToolComponent;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import dev.deftchisel.Chisel;
import dev.deftchisel.problem.Problem;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Severity;
import dev.deftchisel.problem.detection.Rules;
import dev.deftchisel.source.LineMap;
import dev.deftchisel.source.Position;
import java.net.URI;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Problems as SARIF 2.1.0, for tools that collect findings. Paths are relative to the root of the workspace. */
public final class SarifText {

    private static final URI SCHEMA = URI.create("https://json.schemastore.org/sarif-2.1.0.json");

    private final Chisel chisel;
    private final Rules rules;

    public SarifText(Chisel chisel, Rules rules) {
        this.chisel = chisel;
        this.rules = rules;
    }

    public String write(List<Problem> problems) {
        Map<String, ReportingDescriptor> descriptors = new LinkedHashMap<>();
        problems.forEach(problem -> descriptors.computeIfAbsent(problem.rule(), id -> descriptor(problem)));
        List<String> ids = List.copyOf(descriptors.keySet());
        ToolComponent driver = new ToolComponent().withName("deft").withVersion("0.1.0")
                .withRules(new LinkedHashSet<>(descriptors.values()));
        Run run = new Run().withTool(new Tool().withDriver(driver))
                .withColumnKind(Run.ColumnKind.UTF_16_CODE_UNITS)
                .withResults(problems.stream().map(problem -> result(problem, ids.indexOf(problem.rule()))).toList());
        SarifSchema210 log = new SarifSchema210().with$schema(SCHEMA).withVersion(SarifSchema210.Version._2_1_0)
                .withRuns(List.of(run));
        try {
            return new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT)
                    .setSerializationInclusion(JsonInclude.Include.NON_DEFAULT).writeValueAsString(log);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException("plain objects can be written", impossible);
        }
    }

    private ReportingDescriptor descriptor(Problem problem) {
        ReportingDescriptor descriptor = new ReportingDescriptor().withId(problem.rule())
                .withDefaultConfiguration(new ReportingConfiguration().withLevel(
                        ReportingConfiguration.Level.fromValue(level(problem.severity()))))
                .withProperties(new PropertyBag().withTags(Set.of(problem.tag().word())));
        return rules.named(problem.rule()).map(about -> described(descriptor, about)).orElse(descriptor);
    }

    private static ReportingDescriptor described(ReportingDescriptor descriptor, RuleDescription about) {
        return descriptor.withShortDescription(new MultiformatMessageString().withText(about.title()))
                .withFullDescription(new MultiformatMessageString().withText(about.why()));
    }

    private Result result(Problem problem, int rule) {
        LineMap lines = chisel.snapshot().source(problem.file()).lines();
        Position end = lines.position(problem.range().end());
        Region region = new Region().withStartLine(problem.position().line())
                .withStartColumn(problem.position().column())
                .withEndLine(end.line()).withEndColumn(end.column());
        PhysicalLocation place = new PhysicalLocation().withRegion(region)
                .withArtifactLocation(new ArtifactLocation().withUri(uri(problem)));
        return new Result().withRuleId(problem.rule()).withRuleIndex(rule)
                .withLevel(Result.Level.fromValue(level(problem.severity())))
                .withMessage(new Message().withText(problem.sentence()))
                .withLocations(List.of(new Location().withPhysicalLocation(place)));
    }

    /** Relative, with what a URI does not take escaped. */
    private String uri(Problem problem) {
        return chisel.workspace().root().toUri().relativize(problem.file().toUri()).toASCIIString();
    }

    /** SARIF knows three levels besides none. */
    private static String level(Severity severity) {
        return switch (severity) {
            case ERROR -> "error";
            case WARNING -> "warning";
            default -> "note";
        };
    }
}
