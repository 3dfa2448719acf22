/** Rules about calls that do not do what they seem to: results that get lost, arguments that mean something else. */
package dev.deftchisel.rule.call;
