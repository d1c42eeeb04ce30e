version https://git-lfs.github.com/spec/v1
oid sha256:f206b406a7faf930610cbf42e8909bc3181f6d34dc8f1143c3551d60fb92f317
size 4475683
