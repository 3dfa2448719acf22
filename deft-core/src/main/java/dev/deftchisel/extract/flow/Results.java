package dev.deftchisel.extract.flow;

import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.operation.NewName;
import java.util.List;
import java.util.Optional;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;
import javax.lang.model.type.TypeVariable;

/**
 * What a new method returns.
 *
 * @param outputs    the variables whose values are needed afterwards
 * @param components the names of the record that holds them when there are several
 * @param recordName of that record
 */
public record Results(List<Flow.Variable> outputs, List<String> components, Optional<String> recordName) {

    private static final int LEVEL_OF_RECORDS = 16;

    /** Copies the lists. */
    public Results {
        outputs = List.copyOf(outputs);
        components = List.copyOf(components);
    }

    /** The same record is used wherever the method is called. */
    public static Results of(AttributedFile code, Flow flow, String method) {
        String wish = Character.toUpperCase(method.charAt(0)) + method.substring(1);
        return new Results(flow.outputs(), flow.outputs().stream().map(Flow.Variable::name).toList(), flow.outputs()
                .size() > 1
                ? Optional.of(NewName.free(code.tokens().names(), wish.equals(method) ? wish + "Values" : wish))
                : Optional.empty());
    }

    /** The same for another place that calls the method. */
    public Results in(Flow flow) {
        return new Results(flow.outputs(), components, recordName);
    }

    /** Why several values cannot come out as a record; empty when they can. */
    static Optional<String> objection(AttributedFile code, Flow flow, Exits exits) {
        boolean isGeneric = flow.outputs().stream().anyMatch(one -> hasVariable(one.element().asType()));
        if (code.file().module().level() < LEVEL_OF_RECORDS) {
            return Optional.of("records came with Java " + LEVEL_OF_RECORDS);
        }
        if (isGeneric) {
            return Optional.of("their types depend on type parameters");
        }
        return exits.kind() == Exits.Kind.NONE ? Optional.empty() : Optional.of("the code is left in other ways, too");
    }

    private static boolean hasVariable(TypeMirror type) {
        return type instanceof TypeVariable || type instanceof ArrayType array && hasVariable(array.getComponentType())
                || type instanceof DeclaredType declared && declared.getTypeArguments().stream()
                .anyMatch(Results::hasVariable);
    }

    /** The name of the variable that holds the record. */
    public String holder(AttributedFile code) {
        String name = recordName.orElseThrow();
        return NewName.free(code.tokens().names(), Character.toLowerCase(name.charAt(0)) + name.substring(1));
    }
}
