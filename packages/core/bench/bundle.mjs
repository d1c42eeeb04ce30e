version https://git-lfs.github.com/spec/v1
oid sha256:24cc8c3e3db6da265f177167463354db45474fe6fa26157ed51de43b34a69fce
size 4478224
