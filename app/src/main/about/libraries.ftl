<#-- One library a line: its name, version, licences with a bar between, and where it comes from. -->
<#list dependencyMap as entry>
<#assign library = entry.getKey()/>
<#if library.groupId != "inkel">
${library.artifactId};${library.version};<#list entry.getValue() as licence>${licence}<#sep>|</#sep></#list>;${(library.url!"")?replace(";", "")}
</#if>
</#list>
