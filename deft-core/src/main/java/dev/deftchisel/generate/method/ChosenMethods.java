package dev.deftchisel.generate.method;

import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.member.ImpactScope;
import dev.deftchisel.member.InheritedMethods;
import dev.deftchisel.member.MemberInserter;
import dev.deftchisel.member.NewMember;
import dev.deftchisel.member.TargetClass;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.EditsByFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import javax.lang.model.element.ExecutableElement;

/**
 * Methods that come to a type, chosen by their signatures.
 *
 * @param target  the type
 * @param methods all that can be chosen
 * @param purpose what is to be done with them, for a refusal: {@code to implement in Berth}
 */
record ChosenMethods(TargetClass target, Map<String, ExecutableElement> methods, String purpose) {

    /**
     * The plan that writes some of them.
     *
     * @param wanted their signatures
     * @param text   the lines of one; empty when a type in it has no name
     * @param edits  to which all is added
     * @param title  of the change
     * @param hasNewSupertype whether the type gets a supertype by the edits
     */
    Plan plan(ResolvedPlace resolved, List<String> wanted,
            BiFunction<String, ExecutableElement, Optional<List<String>>> text,
            EditsByFile edits, String title, boolean hasNewSupertype, Analyst analyst) {
        List<NewMember> members = new ArrayList<>();
        for (String name : wanted) {
            ExecutableElement method = methods.get(name);
            if (method == null) {
                return Plan.refused(resolved, "there is no method '" + name + "' " + purpose + "; there are "
                        + String.join(", ", methods.keySet()));
            }
            Optional<List<String>> lines = text.apply(name, method);
            if (lines.isEmpty()) {
                return Plan.refused(resolved, "a type in " + name + " has no name that could be written here");
            }
            members.add(NewMember.added(NewMember.Kind.METHOD, method.getSimpleName().toString(), lines.get()));
        }
        edits.of(resolved.file().path()).addAll(new MemberInserter(target).edits(members));
        Set<String> had = InheritedMethods.by(target).methods().keySet();
        Set<String> fresh = wanted.stream().filter(name -> !had.contains(name))
                .map(name -> methods.get(name).getSimpleName().toString()).collect(Collectors.toSet());
        Focus focus = new ImpactScope(target, fresh, false, hasNewSupertype).focus(analyst.snapshot());
        return new Plan.Ready(edits.change(title, SymbolEffects.same()
                .extending(Set.of(target.code().key(target.type()))), List.of()),
                analyst.analyse(focus));
    }
}
