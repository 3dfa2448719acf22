package dev.deftchisel.repair.member;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.repair.ContainerContent;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * Members that arrays, collections, streams and Optionals do not have, but know a way to: an index, the stream, what is
 * within (java.util).
 */
final class ContainerMember {

    /** What lists do that one over an array cannot, or has another name for. */
    private static final Set<String> OF_LISTS_ONLY = Set.of("size", "sort", "add", "addAll", "remove", "removeIf",
            "clear", "get", "set", "addFirst", "addLast");

    private ContainerMember() {
    }

    /** {@code names.length()}, {@code names.stream()}: arrays have a length, and the class Arrays. */
    static Optional<Fix> array(MissingMember missing) {
        TypeElement list = missing.code().elements().getTypeElement("java.util.List");
        boolean ofList = !((ArrayType) missing.type()).getComponentType().getKind().isPrimitive() && missing.call()
                .isPresent()
                && missing.code().elements().getAllMembers(list).stream()
                .anyMatch(member -> member instanceof ExecutableElement method
                && method.getSimpleName().contentEquals(missing.name())
                && CallCandidates.takes(method, missing.arguments()))
                && !OF_LISTS_ONLY.contains(missing.name());
        if (ofList) {
            String object = missing.code().text(missing.object().getLeaf());
            return Optional.of(Fix.of("ask a list of its elements",
                    edits -> edits.replace(missing.code().range(missing.object().getLeaf()),
                    edits.types().name(missing.code().elements().getTypeElement("java.util.Arrays")) + ".asList("
                    + object + ")")));
        }
        if (missing.name().equals("get") && missing.arguments() == 1 && missing.call().isPresent()) {
            Range all = new Range(missing.range().start() - 1, missing.whole().end());
            return Optional.of(Fix.of("write '[" + missing.written() + "]'",
                    edits -> edits.replace(all, "[" + missing.written() + "]")));
        }
        if (Set.of("copy", "dup", "duplicate", "copyOf").contains(missing.name()) && missing.arguments() == 0
                && missing.call().isPresent()) {
            return Optional.of(Fix.of("call 'clone'", edits -> edits.replace(missing.whole(), "clone()")));
        }
        boolean isLength = Set.of("length", "size", "count", "len", "Length", "lenght", "getLength")
                .contains(missing.name());
        return isLength ? Optional.of(Fix.of("write 'length'", edits -> edits.replace(missing.whole(), "length")))
                : Optional.empty();
    }

    /** What an Optional holds, or a stream makes of its elements, has the member. */
    static List<Fix> within(MissingMember missing, ErrorSite site) {
        AttributedFile code = missing.code();
        if (!(missing.type() instanceof DeclaredType type) || !(type.asElement() instanceof TypeElement owner)) {
            return List.of();
        }
        String name = owner.getQualifiedName().toString();
        int dot = missing.range().start() - 1;
        if (name.equals("java.util.Optional") && type.getTypeArguments().size() == 1) {
            return List.of(Fix.of("take what the Optional holds", edits -> edits.insert(dot, ".orElseThrow()")));
        }
        boolean isSum = Set.of("sum", "average", "max", "min", "asDoubleStream", "summaryStatistics")
                .contains(missing.name());
        if (name.equals("java.util.stream.Stream") && isSum && missing.arguments() == 0 && type.getTypeArguments()
                .size() == 1) {
            String element = type.getTypeArguments().get(0) instanceof DeclaredType box
                    ? ((TypeElement) box.asElement()).getSimpleName().toString() : "";
            String sort;
            if (element.equals("Integer")) {
                sort = "Int";
            } else if (element.equals("Long")) {
                sort = "Long";
            } else {
                sort = "Double";
            }
            String value;
            if (element.equals("Integer")) {
                value = "intValue";
            } else if (element.equals("Long")) {
                value = "longValue";
            } else {
                value = "doubleValue";
            }
            Optional<MethodInvocationTree> map = missing.object().getLeaf() instanceof MethodInvocationTree call
                    && call.getMethodSelect() instanceof MemberSelectTree select && select.getIdentifier()
                    .contentEquals("map")
                    ? Optional.of(call) : Optional.empty();
            return Stream.of(map.map(call -> {
                int end = code.range(call.getMethodSelect()).end();
                return Fix.of("use 'mapTo" + sort + "'",
                        edits -> edits.replace(new Range(end - "map".length(), end), "mapTo" + sort));
            }), Optional.of(Fix.of("make numbers of the elements",
                    edits -> edits.insert(dot, ".mapTo" + sort + "(" + element + "::" + value + ")"))))
                    .flatMap(Optional::stream).toList();
        }
        boolean isCollection = code.elements().getTypeElement("java.util.Collection") != null
                && code.isKind(type, code.elements().getTypeElement("java.util.Collection").asType());
        boolean ofStream = isCollection && code.elements()
                .getAllMembers(code.elements().getTypeElement("java.util.stream.Stream")).stream()
                .anyMatch(member -> member.getSimpleName().contentEquals(missing.name())
                        && member instanceof ExecutableElement method
                        && CallCandidates.takes(method, missing.arguments()));
        boolean isEntry = name.equals("java.util.Map") && missing.name().equals("stream");
        if (ofStream && missing.call().isPresent()) {
            return List.of(Fix.of("ask its stream", edits ->
                    { edits.insert(dot, ".stream()"); listed(missing, edits, site); }));
        }
        return isEntry ? List.of(Fix.of("ask its entries", edits -> edits.insert(dot, ".entrySet()"))) : List.of();
    }

    /** {@code list.pop()}: lists have an element at an index, the last one at the size less one. */
    static Optional<Fix> ofEnd(MissingMember missing) {
        boolean isList = missing.type() instanceof DeclaredType && missing.code().isKind(missing.type(),
                missing.code().elements().getTypeElement("java.util.List").asType());
        String object = missing.code().text(missing.object().getLeaf());
        boolean isPlain = object.matches("[\\w.]+");
        String method;
        if (Set.of("pop", "removeLast", "pollLast", "removeEnd").contains(missing.name())) {
            method = "remove(" + object + ".size() - 1)";
        } else if (Set.of("getLast", "last", "peekLast", "back").contains(missing.name())) {
            method = "get(" + object + ".size() - 1)";
        } else if (Set.of("getFirst", "first", "peekFirst", "front", "head").contains(missing.name())) {
            method = "get(0)";
        } else if (Set.of("removeFirst", "pollFirst", "shift").contains(missing.name())) {
            method = "remove(0)";
        } else {
            method = "";
        }
        return !isList || method.isEmpty() || !isPlain || missing.arguments() > 0 || missing.call().isEmpty()
                ? Optional.empty()
                : Optional.of(Fix.of("write '" + method + "'", edits -> edits.replace(missing.whole(), method)));
    }

    /** Where a list is wanted of what is a stream now, its elements are collected at the end of the chain. */
    private static void listed(MissingMember missing, FixEdits edits, ErrorSite site) {
        AttributedFile code = missing.code();
        TreePath chain = missing.path().getParentPath();
        while (chain.getParentPath().getLeaf() instanceof MemberSelectTree && chain.getParentPath().getParentPath()
                .getLeaf() instanceof MethodInvocationTree) {
            chain = chain.getParentPath().getParentPath();
        }
        String last = chain.getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() instanceof MemberSelectTree select
                ? select.getIdentifier().toString() : "";
        boolean isStream = code.elements().getTypeElement("java.util.stream.Stream").getEnclosedElements().stream()
                .anyMatch(member ->
                member instanceof ExecutableElement method && method.getSimpleName().contentEquals(last)
                        && NamedTypes.is(method.getReturnType(), "java.util.stream.Stream"));
        Optional<TypeMirror> wanted = TargetType.of(chain, site.code()).map(TargetType::type);
        if (isStream && wanted.filter(type -> NamedTypes.isOneOf(type,
                Set.of("java.util.List", "java.util.Collection", "java.lang.Iterable"))).isPresent()) {
            edits.insert(code.range(chain.getLeaf()).end(), ContainerContent.listed(edits));
        }
    }
}
